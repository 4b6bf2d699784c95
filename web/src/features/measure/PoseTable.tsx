/** Every pose that was read: its length, how far its readings differ, how sure it is. */
import { POSE_NAMES } from '@zephyrcombe/messages';
import type { OrderLength } from '@zephyrcombe/core';
import { FigureTable } from '../../design/FigureTable.ts';
import { useWriter } from '../../app/SessionContext.ts';

export function PoseTable({ order }: { readonly order: OrderLength }) {
  const write = useWriter();
  return (
    <FigureTable aria-label="Poses read">
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
    </FigureTable>
  );
}
