import type { HoseOfJob, JobDetail } from '@zephyrcombe/contract';
import { exampleBanjo, METRIC, suggestBuild } from '@zephyrcombe/core';
import { createWriter } from '@zephyrcombe/messages';
import { digestOf, proofFacts } from '@zephyrcombe/workshop';
import { labelLines } from './labelSheet.ts';

const ends = { endA: exampleBanjo(20), endB: exampleBanjo(0) };
const { build } = suggestBuild({
  hoseName: 'Left hose',
  bore_m: 0.0032,
  length_m: 0.742,
  ...ends,
  boltA_m: 0.01,
  boltB_m: 0.01,
  route: null,
});
const hoseWith = (proofs: readonly object[], over: object = {}) =>
  ({
    fitted: { name: 'Left hose' },
    hose: {
      ...ends,
      order_m: 0.742,
      clocking_rad: 0,
      build: { ...build, madeHere: true },
      makeUp: { steps: [], proofs },
      ...over,
    },
    a: null,
    b: null,
  }) as unknown as HoseOfJob;
const TIGHT = { pressure_Pa: 2e7, hold_s: 60, medium: 'fluid', tight: true };
const said = (own: HoseOfJob) =>
  labelLines({ vehicle: { name: 'Petrelle' } } as JobDetail, own, '2026-11-23', createWriter(METRIC)).at(-1);

test('a label calls a hose proved by its last proof, where that passed and was of this very hose', () => {
  expect(said(hoseWith([]))).toBe('made up here');
  expect(said(hoseWith([TIGHT]))).toBe('made up here, proved');
  expect(said(hoseWith([TIGHT, { ...TIGHT, tight: false }]))).toBe('made up here');
  const facts = proofFacts(hoseWith([]));
  const of = { by: 'B', byId: 'b', at: '', digest: digestOf(facts), facts };
  expect(said(hoseWith([{ ...TIGHT, of }]))).toBe('made up here, proved');
  expect(said(hoseWith([{ ...TIGHT, of }], { clocking_rad: 0.6 }))).toBe('made up here');
});
