import styled from 'styled-components';
import { colour } from './tokens.ts';

/** How many there are, typed beside what is counted. */
export const CountEntry = styled.input`
  width: 76px;
  min-height: 44px;
  padding: 4px 8px;
  border: 1px solid ${colour('inkSoft')};
  border-radius: 0;
  background: ${colour('sheet')};
  text-align: right;
  &[aria-invalid='true'] {
    border: 2px solid ${colour('danger')};
  }
  @media print {
    border: 0;
  }
`;
