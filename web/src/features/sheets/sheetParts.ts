import styled from 'styled-components';
import { FONT, PHONE, SIZE, colour } from '../../design/tokens.ts';

/** A sheet for paper: black on white when printed, the same rows on screen. */
export const Paper = styled.article`
  max-width: 800px;
  background: ${colour('sheet')};
  border: 1px solid ${colour('hairline')};
  padding: 28px 32px;
  h2 {
    font-size: ${SIZE.large};
    margin: 22px 0 6px;
    break-after: avoid;
  }
  ${PHONE} {
    padding: 16px 14px;
  }
  @media print {
    border: 0;
    padding: 0;
    max-width: none;
  }
`;

export const PrintTable = styled.table`
  width: 100%;
  border-collapse: collapse;
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: 6px 14px 6px 0;
    border-bottom: 1px solid ${colour('hairline')};
  }
  th {
    font-weight: 400;
    color: ${colour('inkSoft')};
  }
  .figure {
    font-family: ${FONT.figures};
    white-space: nowrap;
  }
  tr {
    break-inside: avoid;
  }
  @media screen and (max-width: 759px) {
    font-size: ${SIZE.fine};
    th,
    td {
      padding-right: 6px;
      overflow-wrap: anywhere;
    }
    .figure {
      white-space: normal;
    }
  }
`;
