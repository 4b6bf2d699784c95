import type { StepKind } from './steps.ts';
import { stepDurations } from './logged.ts';

const at = (...steps: readonly (readonly [StepKind, number])[]) =>
  Object.fromEntries(stepDurations(steps.map(([kind, at_s]) => ({ kind, at_s }))));

test('each step took from the one before it; of the first nobody knows', () => {
  expect(at(['clean', 100], ['crack', 140], ['clean', 200], ['crack', 290])).toEqual({
    crack: [40, 90],
    clean: [60],
  });
});

test('a pause is no step, and what was written together was not done in no time', () => {
  expect(at(['clean', 0], ['crack', 7200], ['open', 7260])).toEqual({ open: [60] });
  // Three that were ticked at once, ten minutes after the last: no one of them took ten minutes.
  expect(at(['clean', 0], ['crack', 600], ['open', 600.1], ['cap', 600.2], ['takeOff', 660.2])).toEqual({
    takeOff: [60],
  });
  // By a clock that ran backwards.
  expect(at(['clean', 100], ['crack', 40])).toEqual({});
});
