import styled from 'styled-components';
import { PHONE, colour } from '../../design/tokens.ts';

/** What the thumb needs next: on a phone it stays at the lower edge of the screen, whatever stands above it. */
export const Hand = styled.div`
  display: grid;
  gap: 10px;
  ${PHONE} {
    position: sticky;
    bottom: 0;
    z-index: 2;
    margin: 0 -16px;
    padding: 10px 16px 12px;
    background: ${colour('paper')};
    border-top: 1px solid ${colour('hairline')};
  }
`;
