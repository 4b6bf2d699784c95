import { createGlobalStyle } from 'styled-components';
import { FONT, PHONE, SIZE, colour, themeRules } from './tokens.ts';

/** Paper, ink, type and focus for the whole application. */
export const GlobalStyle = createGlobalStyle`
  ${themeRules}
  *, *::before, *::after { box-sizing: border-box; }
  html { background: ${colour('paper')}; color: ${colour('ink')}; -webkit-text-size-adjust: 100%; }
  body { margin: 0; font: 400 ${SIZE.text}/1.45 ${FONT.words}; min-height: 100vh; }
  h1, h2, h3, p, ul, ol, dl, dd, fieldset { margin: 0; padding: 0; }
  h1, h2, h3 { font-weight: 650; line-height: 1.25; }
  ul, ol { list-style: none; }
  fieldset { border: 0; min-width: 0; }
  legend { padding: 0; }
  a { color: ${colour('action')}; text-underline-offset: 3px; }
  /* A thumb meets 44 px; the line that a link stands in keeps its height. */
  @media screen { ${PHONE} { a { padding: 14px 9px; margin: 0 -9px; } } }
  button, input, select, textarea { font: inherit; color: inherit; }
  :focus-visible { outline: 3px solid ${colour('action')}; outline-offset: 2px; }
  ::selection { background: ${colour('action')}; color: ${colour('onAction')}; }
  svg text { font-family: ${FONT.words}; }
  svg text.figure { font-family: ${FONT.figures}; font-variant-numeric: tabular-nums; }
  @media print {
    html, body { background: #fff; color: #000; }
    .no-print { display: none !important; }
    @page { margin: 16mm; }
  }
  @media (prefers-reduced-motion: reduce) { *, *::before, *::after { animation: none !important; transition: none !important; } }
`;
