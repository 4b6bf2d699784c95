import styled from 'styled-components';
import { FONT, colour } from '../../design/tokens.ts';

/** The sheet of the pages before anybody is signed in. */
export const BeforeSheet = styled.main`
  max-width: 620px;
  margin: 9vh auto 40px;
  padding: 0 24px;
  form {
    display: grid;
    gap: 20px;
    margin-top: 24px;
  }
  code {
    font-family: ${FONT.figures};
    border-bottom: 1px solid ${colour('brass')};
  }
`;
