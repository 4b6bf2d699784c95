import { labelPrinter } from './labelPrinter.ts';

const print = (svg: string) => JSON.stringify({ type: 'print', svg });
const answerOf = (printer: ReturnType<typeof labelPrinter>, line: string): unknown =>
  JSON.parse(printer.answer(line).lines[0] ?? '');

test('prints until the roll is empty, and says so', () => {
  const printer = labelPrinter(2);
  expect(JSON.parse(printer.greeting())).toMatchObject({ type: 'hello', kind: 'labelPrinter' });
  expect(answerOf(printer, print('<svg a/>'))).toEqual({ type: 'printed', number: 1 });
  expect(answerOf(printer, print('<svg b/>'))).toEqual({ type: 'printed', number: 2 });
  expect(answerOf(printer, print('<svg c/>'))).toEqual({ type: 'refused', reason: 'outOfPaper' });
  expect(printer.printed).toEqual(['<svg a/>', '<svg b/>']);
});

test.each(['', 'print', '{"type":"print"}', '{"type":"print","svg":"no drawing"}'])(
  'refuses “%s” and stays there',
  (line) => {
    const printer = labelPrinter(1);
    expect(answerOf(printer, line)).toEqual({ type: 'refused', reason: 'notUnderstood' });
    expect(answerOf(printer, print('<svg a/>'))).toMatchObject({ type: 'printed' });
  },
);
