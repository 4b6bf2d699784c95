import styled from 'styled-components';
import { SIZE, colour } from './tokens.ts';

/** Small figures in columns, named on the left; a row that decides is marked with `data-decides`. */
export const FigureTable = styled.table`
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
