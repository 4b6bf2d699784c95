import { EXAMPLE_THREADED, exampleBanjo } from '@zephyrcombe/core';
import { cutListAddress, readCutting, typedCutting, writeLengths } from './cutState.ts';

const from = (query: Readonly<Record<string, string>>) => typedCutting((name) => query[name] ?? '');

test('pieces and stock are read with their units and named by their places; empty lines are none', () => {
  expect(readCutting(from({ pieces: '640 mm;;2 in', stocks: '5 m' }))).toEqual({
    pieces: [
      { id: 'Piece 1', length_m: 0.64 },
      { id: 'Piece 3', length_m: expect.closeTo(0.0508, 9) as unknown },
    ],
    stocks: [{ id: 'Stock 1', length_m: 5 }],
    rules: { kerf_m: 0.003, worthKeeping_m: 0.25 },
  });
});

test.each([
  ['no piece', { pieces: '', stocks: '5 m' }],
  ['no stock', { pieces: '640 mm', stocks: '' }],
  ['a piece without a unit', { pieces: '640', stocks: '5 m' }],
  ['a blade that is no length', { pieces: '640 mm', stocks: '5 m', kerf: 'thin' }],
  ['nothing worth keeping', { pieces: '640 mm', stocks: '5 m', keep: '0 mm' }],
])('%s is no job yet', (_name, query) => {
  expect(readCutting(from(query))).toBeNull();
});

test('a blade may take nothing', () => {
  expect(readCutting(from({ pieces: '640 mm', stocks: '5 m', kerf: '0 mm', keep: '12 in' }))?.rules).toEqual({
    kerf_m: 0,
    worthKeeping_m: expect.closeTo(0.3048, 9) as unknown,
  });
});

test('lengths are written as they are read', () => {
  expect(from({ pieces: writeLengths(['a', '', 'b']) }).pieces).toEqual(['a', '', 'b']);
});

test('the hoses of a job come with their names and what is cut for them', () => {
  const address = cutListAddress(
    [
      { name: 'Left hose', length_m: 0.742, endA: exampleBanjo(20), endB: exampleBanjo(0) },
      { name: 'Rear; long', length_m: 0.9, endA: exampleBanjo(0), endB: EXAMPLE_THREADED },
    ],
    'mm',
  );
  const query = new URL(address ?? '', 'http://shop').searchParams;
  const read = readCutting(typedCutting((name) => (name === 'stocks' ? '5 m' : (query.get(name) ?? ''))));
  // 742 − 36 − 32 + 26 mm, and 900 − 32 − 34 + 26 mm.
  expect(read?.pieces).toEqual([
    { id: 'Piece 1: Left hose', length_m: expect.closeTo(0.7, 9) as unknown },
    { id: 'Piece 2: Rear, long', length_m: expect.closeTo(0.86, 9) as unknown },
  ]);
});

test('a job without lengths, or with one shorter than its fittings, has no cut list', () => {
  expect(cutListAddress([], 'mm')).toBeNull();
  expect(
    cutListAddress([{ name: 'a', length_m: 0.05, endA: exampleBanjo(0), endB: exampleBanjo(0) }], 'mm'),
  ).toBeNull();
});
