import { createWriter } from '@zephyrcombe/messages';
import { METRIC } from '@zephyrcombe/core';
import { describeDifferences } from './differences.ts';

const write = createWriter(METRIC);

test('only what differs is shown, in words and the reader’s units', () => {
  const mine = { version: 1, reason: 'Chafed', clocking_rad: Math.PI / 2, overrides: [], specified: false };
  const theirs = { version: 2, reason: 'Leaking', clocking_rad: null, specified: false };
  expect(describeDifferences(mine, theirs, write)).toEqual([
    { field: 'Reason', mine: 'Chafed', theirs: 'Leaking' },
    { field: 'Clocking', mine: '90°', theirs: 'nothing' },
  ]);
});

test('a bolt is told by what a person chooses', () => {
  const bolt = { thread: 'M10×1.0', diameter_m: 0.01, length_m: 0.02, material: 'steel' };
  const [row] = describeDifferences({ bolt }, { bolt: { ...bolt, length_m: 0.03 } }, write);
  expect(row?.mine).toBe('thread: M10×1.0, length: 20\u2009mm, material: steel');
});
