import type { Caution } from '@zephyrcombe/core';
import { cautionDigest, unanswered } from './reasons.ts';

const bolt = (boltThread: string): Caution => ({
  id: 'M20',
  evidence: { portThread: 'M10×1.0', boltThread },
});
const [one, other] = [bolt('M10×1.25'), bolt('M12×1.0')];
const clocking: Caution = { id: 'M19', evidence: {} };
const because = (caution: Caution, evidence?: string) => ({
  caution: caution.id,
  reason: 'The maker says so in writing.',
  ...(evidence === undefined ? {} : { evidence }),
});

test('one reason answers one caution; the same mistake at another joint wants its own', () => {
  expect(unanswered([one, other], [because(one, cautionDigest(one))])).toEqual([other]);
  expect(
    unanswered([one, other], [because(one, cautionDigest(one)), because(other, cautionDigest(other))]),
  ).toEqual([]);
});

test('a reason that does not say what it is about answers the only one of its kind, and none of several', () => {
  expect(unanswered([one, clocking], [because(one)])).toEqual([clocking]);
  expect(unanswered([one, other], [because(one)])).toEqual([one, other]);
  // Told twice with the same evidence it is one.
  expect(unanswered([one, bolt('M10×1.25')], [because(one)])).toEqual([]);
});

test('the same mistake at two joints with the same figures is two', () => {
  const [front, rear] = ['Front master', 'Front caliper'].map((subject): Caution => ({ ...one, subject }));
  if (!front || !rear) throw new Error('no joints');
  expect(unanswered([front, rear], [because(front, cautionDigest(front))])).toEqual([rear]);
  expect(unanswered([front, rear], [because(front)])).toEqual([front, rear]);
});

test('a reason ends with its evidence', () => {
  expect(unanswered([other], [because(one, cautionDigest(one))])).toEqual([other]);
});
