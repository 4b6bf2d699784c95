import styled from 'styled-components';
import { SIZE, colour } from '../../design/tokens.ts';

/** What is read on demand, below a line that a thumb meets. */
export const Fold = styled.details`
  > summary {
    min-height: 44px;
    display: flex;
    align-items: center;
    cursor: pointer;
    font-size: ${SIZE.small};
    color: ${colour('inkSoft')};
    text-decoration: underline;
    text-underline-offset: 3px;
  }
`;
