/** Making a hose up: the order that cannot be got wrong, and what is looked at on the way. Common practice, no published source. */
import fc from 'fast-check';
import { exampleBanjo } from '../fittings/exampleEnds.ts';
import { suggestBuild } from '../hoseBuild/suggest.ts';
import {
  judgeCut,
  judgeNut,
  judgeOlive,
  judgePlugs,
  judgeProof,
  lubricantFor,
  metalPair,
  PROOF,
  proofFaults,
} from './judgeMakeUp.ts';
import type { MakeUpStepKind } from './makeUpFacts.ts';
import { judgeStepOrder, makeUpSteps, stepsOpen, stepsResting } from './steps.ts';

const { build: BUILD } = suggestBuild({
  hoseName: 'Front hose',
  bore_m: 0.0032,
  length_m: 0.6,
  endA: exampleBanjo(20),
  endB: exampleBanjo(45),
  boltA_m: 0.01,
  boltB_m: 0.01,
  route: null,
});
const STEPS = makeUpSteps(BUILD, true);

test('whatever is taken up next of what is open, everything that slides on is on before the second end', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(), { minLength: 13, maxLength: 13 }), fc.boolean(), (choices, clocked) => {
      const steps = makeUpSteps(BUILD, clocked);
      const done: MakeUpStepKind[] = [];
      for (const choice of choices) {
        const open = stepsOpen(steps, done);
        const next = open[choice % open.length];
        if (next === undefined) break;
        expect(judgeStepOrder(steps, done, next)).toEqual([]);
        done.push(next);
      }
      expect(done).toHaveLength(steps.length);
      const at = (kind: MakeUpStepKind) => done.indexOf(kind);
      for (const on of ['nutA', 'slideOn', 'nutB'] as const) expect(at(on)).toBeLessThan(at('oliveB'));
      expect(at('nutA')).toBeLessThan(at('oliveA'));
      expect(at('proof')).toBeGreaterThan(at('measure'));
      if (clocked) expect(at('clock')).toBeLessThan(at('joinB'));
    }),
  );
});

test('a step out of its turn is M38 and names what comes first', () => {
  expect(judgeStepOrder(STEPS, ['cut', 'clean', 'nutA', 'oliveA', 'joinA'], 'oliveB')).toEqual([
    { id: 'M38', evidence: { step: 'oliveB', first: 'nutB' } },
  ]);
  expect(judgeStepOrder(STEPS, ['cut', 'clean'], 'nutB')).toEqual([
    { id: 'M38', evidence: { step: 'nutB', first: 'slideOn' } },
  ]);
});

test('a straight pair needs no clocking, a bare hose nothing slid on, and nobody waits for what is not needed', () => {
  const bare = makeUpSteps({ along: [] }, false);
  expect(bare.map(({ kind }) => kind)).not.toContain('slideOn');
  expect(bare.map(({ kind }) => kind)).not.toContain('clock');
  expect(bare.find(({ kind }) => kind === 'nutB')?.after).toEqual(['clean']);
  expect(bare.find(({ kind }) => kind === 'joinB')?.after).toEqual(['oliveB']);
});

test('what rests on a step goes back with it', () => {
  const done = STEPS.map(({ kind }) => kind);
  expect(new Set(stepsResting(STEPS, done, 'oliveB'))).toEqual(
    new Set(['clock', 'joinB', 'measure', 'proof', 'cap']),
  );
  expect(stepsResting(STEPS, ['cut', 'clean', 'nutA'], 'nutA')).toEqual([]);
});

test('a splayed cut, a strand, a liner not home: M43, M39, M40', () => {
  expect(judgeCut('A', 'ragged')).toEqual([{ id: 'M43', evidence: { end: 'A' } }]);
  expect(judgeCut('A', 'clean')).toEqual([]);
  expect(judgeOlive('B', { strandFree: true, short_m: 0.0005 })).toEqual([]);
  expect(judgeOlive('B', { strandFree: false, short_m: 0.002 }).map(({ id }) => id)).toEqual(['M39', 'M40']);
});

test('grease for stainless pairs, oil for plated steel, a turn left open: M41, M42', () => {
  expect(lubricantFor(metalPair('stainless'))).toBe('ptfeGrease');
  expect(lubricantFor(metalPair('steel'))).toBe('oil');
  expect(judgeNut('A', 'stainless', { lubricant: 'ptfeGrease', gap_m: 0.001 })).toEqual([]);
  expect(judgeNut('A', 'stainless', { lubricant: 'oil', gap_m: 0.001 }).map(({ id }) => id)).toEqual(['M41']);
  expect(judgeNut('A', 'steel', { lubricant: 'oil', gap_m: 0.0009 }).map(({ id }) => id)).toEqual(['M42']);
  expect(judgeNut('A', 'steel', { lubricant: 'ptfeGrease', gap_m: 0.0012 })).toEqual([]);
  expect(judgeNut('B', 'steel', { lubricant: 'none', gap_m: 0 }).map(({ id }) => id)).toEqual(['M41', 'M42']);
});

test('only a hose made up here has to be proved, and only a test that held counts: M37', () => {
  const passed = { ...PROOF, tight: true };
  expect(judgeProof(false, null)).toEqual([]);
  expect(judgeProof(true, null)).toEqual([{ id: 'M37', evidence: {} }]);
  expect(judgeProof(true, passed)).toEqual([]);
  expect(judgeProof(true, { ...passed, tight: false }).map(({ id }) => id)).toEqual(['M37']);
  expect(proofFaults({ pressure_Pa: 1e7, hold_s: 30, tight: false })).toEqual(['pressure', 'hold', 'leaked']);
});

test('caps that were counted on are counted off: M35', () => {
  expect(judgePlugs(2, 2)).toEqual([]);
  expect(judgePlugs(2, 1)).toEqual([{ id: 'M35', evidence: { put: 2, out: 1 } }]);
  expect(judgePlugs(0, 1)).toHaveLength(1);
});

test('M104: proved with water it is blown dry before it is capped; with brake fluid nothing is asked', () => {
  const wet = makeUpSteps({ along: [] }, false, true);
  const all = wet.map(({ kind }) => kind).filter((kind) => kind !== 'dry' && kind !== 'cap');
  expect(judgeStepOrder(wet, all, 'cap')).toEqual([{ id: 'M104', evidence: {} }]);
  expect(judgeStepOrder(wet, [...all, 'dry'], 'cap')).toEqual([]);
  const fluid = makeUpSteps({ along: [] }, false, false);
  expect(fluid.some(({ kind }) => kind === 'dry')).toBe(false);
  expect(judgeStepOrder(fluid, all, 'cap')).toEqual([]);
});

test('M42 knows a nut turned too far and one left too far out', () => {
  const nut = (gap_m: number) => judgeNut('A', 'steel', { lubricant: 'oil', gap_m });
  expect(nut(0.0004)).toMatchObject([{ id: 'M42', evidence: { turned: 'tooFar' } }]);
  expect(nut(0.001)).toEqual([]);
  expect(nut(0.002)).toEqual([]);
  expect(nut(0.0035)).toMatchObject([{ id: 'M42', evidence: { turned: 'notFar' } }]);
});
