import fc from 'fast-check';
import { csvCell, fromCsvCell } from './csvCell.ts';

const START = fc.constantFrom('', '=', '+', '-', '@', '\t', '\r', "'", "'=", "''-", '-1', '1');

test('whatever stands in a cell comes back as it was, and begins no formula', () => {
  fc.assert(
    fc.property(START, fc.string({ maxLength: 12 }), (start, rest) => {
      const text = start + rest;
      const cell = csvCell(text);
      expect(fromCsvCell(cell)).toBe(text);
      if (/^[=+\-@\t\r]/.test(cell)) expect(Number.isFinite(Number(cell))).toBe(true);
    }),
    { numRuns: 3_000, seed: 16 },
  );
});

test.each([
  ['=1+1', `'=1+1`],
  [`=HYPERLINK("x")`, `'=HYPERLINK("x")`],
  ['@SUM(A1)', `'@SUM(A1)`],
  ['-2+3|cmd', `'-2+3|cmd`],
  ['+44 214', `'+44 214`],
  ['\tx', `'\tx`],
])('%j is written as %j', (text, cell) => {
  expect(csvCell(text)).toBe(cell);
});

test.each(['-12.5', '0', '742', 'Front hose', 'a=b', ''])('%j stays as it is', (text) => {
  expect(csvCell(text)).toBe(text);
});
