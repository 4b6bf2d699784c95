import { HAND_OUTCOMES, THREAD_CONDITIONS, THREAD_GENDERS, THREADS } from '@zephyrcombe/core';
import fc from 'fast-check';
import { EMPTY_STATE, questionOf, readState, toolsFor, writeState } from './threadState.ts';
import type { ThreadState } from './threadState.ts';

const state: fc.Arbitrary<ThreadState> = fc.constantFrom(...THREAD_GENDERS).chain((gender) =>
  fc.record({
    gender: fc.constant(gender),
    condition: fc.constantFrom(...THREAD_CONDITIONS),
    diameter: fc.constantFrom('', '9.88 mm', '3/8 in', 'nine', '9,9 mm'),
    diameterTool: fc.constantFrom(...toolsFor('diameter', gender)),
    span: fc.constantFrom('', '5.02 mm', '0.21 in'),
    pitches: fc.integer({ min: 1, max: 40 }),
    spanTool: fc.constantFrom(...toolsFor('span', gender)),
    count: fc.constantFrom('', '24', 'two dozen'),
    within: fc.constantFrom('1 in', '20 mm', ''),
    tries: fc.array(
      fc.record({
        bolt: fc.constantFrom(...THREADS.map((thread) => thread.designation)),
        outcome: fc.constantFrom(...HAND_OUTCOMES),
      }),
      { maxLength: 4 },
    ),
  }),
);

test('an address gives back the state it was made from, and keeps what else stands in it', () => {
  fc.assert(
    fc.property(state, (given) => {
      const query = new URLSearchParams(writeState(given, new URLSearchParams('port=abc')).toString());
      expect(readState(query)).toEqual(given);
      expect(query.get('port')).toBe('abc');
    }),
  );
});

test('an address of nonsense is an empty bench, not an error', () => {
  const query = new URLSearchParams('of=x&state=y&dWith=z&n=-3&sWith=q&try=M99~goesIn&try=M10x1~flies&try=');
  expect(readState(query)).toEqual(EMPTY_STATE);
});

test('what is still being typed is not a reading, and a bolt is not tried on a bolt', () => {
  const tries = [{ bolt: 'M10×1.0', outcome: 'goesIn' as const }];
  expect(questionOf({ ...EMPTY_STATE, diameter: '9.8', span: '5 mm', tries }).readings).toEqual([
    { kind: 'span', span_m: 0.005, pitches: 5, uncertainty_m: 0.05e-3 },
  ]);
  expect(questionOf({ ...EMPTY_STATE, count: '24' }).readings).toEqual([
    { kind: 'count', threads: 24, within_m: 0.0254 },
  ]);
  expect(questionOf({ ...EMPTY_STATE, count: '2.5' }).readings).toEqual([]);
  expect(questionOf({ ...EMPTY_STATE, gender: 'internal', tries }).readings).toEqual([
    { kind: 'handStart', ...tries[0] },
  ]);
});

test('a tool that does not reach into a port is not offered there', () => {
  expect(toolsFor('diameter', 'internal')).not.toContain('micrometer');
  expect(toolsFor('diameter', 'external')).not.toContain('boreGauge');
});
