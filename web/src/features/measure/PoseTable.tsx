/** Every pose that was read: its length, how far its readings differ, how sure it is. */
import { POSE_NAMES } from '@zephyrcombe/contract';
import type { OrderLength } from '@zephyrcombe/core';
import styled from 'styled-components';
import { useWriter } from '../../app/SessionContext.ts';
import { SIZE, colour } from '../../design/tokens.ts';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${SIZE.small};
  font-variant-numeric: tabular-nums;
  th,
  td {
    text-align: right;
    padding: 4px 0 4px 8px;
    border-bottom: 1px solid ${colour('hairlineSoft')};
    font-weight: 400;
  }
  th {
    color: ${colour('inkSoft')};
  }
  th:first-child {
    text-align: left;
    padding-left: 0;
  }
  [data-decides] {
    font-weight: 600;
    color: ${colour('ink')};
  }
`;

export function PoseTable({ order }: { readonly order: OrderLength }) {
  const write = useWriter();
  return (
    <Table aria-label="Poses read">
      <thead>
        <tr>
          <th scope="col">pose</th>
          <th scope="col">readings</th>
          <th scope="col">apart</th>
          <th scope="col">length</th>
          <th scope="col">sure to</th>
        </tr>
      </thead>
      <tbody>
        {order.poses.map((row) => {
          const decides = row.pose === order.decidingPose ? { 'data-decides': true } : {};
          return (
            <tr key={row.pose}>
              <th scope="row" {...decides}>
                {POSE_NAMES[row.pose].toLowerCase()}
              </th>
              <td>{row.readings}</td>
              <td>{row.readings > 1 ? write.length(row.spread_m) : '–'}</td>
              <td {...decides}>{write.length(row.span_m)}</td>
              <td>±{write.length(row.uncertainty_m)}</td>
            </tr>
          );
        })}
      </tbody>
    </Table>
  );
}
