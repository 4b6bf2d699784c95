import type { JobHose } from '@zephyrcombe/contract';
import { exampleThreaded } from '@zephyrcombe/core';
import { outfitJob } from '../../testing/outfit.ts';
import { othersAsked, unaskedLike } from './saidOnce.ts';

const detail = outfitJob();
const [first, second, third] = detail.hoses;
if (!first || !second || !third) throw new Error('the outfit has three hoses');
const with_ = (changes: readonly Partial<JobHose>[]) => ({
  ...detail,
  hoses: detail.hoses.map((hose, index) => ({ ...hose, ...changes[index] })),
});
const UNSEEN = { ...first.poseChecks, bracketsInPlace: false, leftLock: false };
const ids = (hoses: readonly JobHose[]) => hoses.map(({ hoseId }) => hoseId);

test('brackets are one fact of the vehicle; a pose is each hose’s own', () => {
  const job = with_([
    { poseChecks: UNSEEN },
    { poseChecks: UNSEEN, order_m: null },
    { poseChecks: UNSEEN, order_m: null },
  ]);
  expect(ids(othersAsked(job, first, 'bracketsInPlace', true))).toEqual([second.hoseId, third.hoseId]);
  expect(othersAsked(job, first, 'leftLock', true)).toEqual([]);
});

test('a tick does not re-open a length that was taken without it; taken away, it is taken from all', () => {
  const taken = with_([
    { poseChecks: UNSEEN },
    { poseChecks: UNSEEN, order_m: 0.8 },
    { poseChecks: UNSEEN, order_m: null },
  ]);
  expect(ids(othersAsked(taken, first, 'bracketsInPlace', true))).toEqual([third.hoseId]);
  const ticked = { ...UNSEEN, bracketsInPlace: true };
  const seen = with_([{}, { poseChecks: ticked, order_m: 0.8 }, { poseChecks: UNSEEN }]);
  expect(ids(othersAsked(seen, first, 'bracketsInPlace', false))).toEqual([second.hoseId]);
});

test('the supplier’s points go to hoses with ends of the same kind of which nobody has said it', () => {
  const asked = { endA: 'behindNeck', endB: 'behindNeck' } as const;
  const job = with_([{}, { orderDatum: null }, { orderDatum: null, endB: exampleThreaded(0) }]);
  expect(ids(unaskedLike(job, first))).toEqual([second.hoseId]);
  expect(unaskedLike(with_([{}, { orderDatum: asked }, { orderDatum: asked }]), first)).toEqual([]);
});
