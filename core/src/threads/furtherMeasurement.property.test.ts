/** Seeded trials: a thread is made inside its limits, read with noise, and the reading that is asked for is then taken. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { threadNamed, THREADS } from './catalogue.ts';
import { rankThreads } from './find.ts';
import { furtherMeasurement, readingOf } from './furtherMeasurement.ts';
import type { FurtherAsk } from './furtherMeasurement.ts';
import { handStarts } from './handStart.ts';
import { TOOL_FACTS } from './reading.ts';
import type { ThreadReading } from './reading.ts';
import type { Limits, Thread, ThreadGender } from './thread.ts';
import { diameterLimits, THREAD_GENDERS } from './thread.ts';

const TRIALS = 10_000;
const random = xoroshiro128plus(20_261_123);
const draw = () => uniformFloat64(random);
const between = ({ low_m, high_m }: Limits) => low_m + (high_m - low_m) * draw();
const pick = <T>(list: readonly T[]): T => {
  const picked = list[Math.floor(draw() * list.length)];
  if (picked === undefined) throw new Error('nothing to pick from');
  return picked;
};
const noise = (limit_m: number) => (2 * draw() - 1) * limit_m;

/** One part as it was made: its sizes do not change between two readings. */
interface Part {
  readonly thread: Thread;
  readonly gender: ThreadGender;
  readonly diameter_m: number;
}

function answer(part: Part, ask: FurtherAsk): ThreadReading {
  switch (ask.kind) {
    case 'diameter':
      return readingOf(ask, part.diameter_m + noise(TOOL_FACTS[ask.tool].uncertainty_m));
    case 'span':
      return readingOf(ask, ask.pitches * part.thread.pitch_m + noise(TOOL_FACTS[ask.tool].uncertainty_m));
    case 'handStart': {
      const bolt = threadNamed(ask.bolt);
      if (!bolt) throw new Error(ask.bolt);
      return readingOf(ask, pick(handStarts(bolt, part.thread)).outcome);
    }
  }
}

function trial() {
  const thread = pick(THREADS);
  const gender = pick(THREAD_GENDERS);
  const part: Part = { thread, gender, diameter_m: between(diameterLimits(thread, gender)) };
  const firstAsk: FurtherAsk =
    draw() < 0.5
      ? { kind: 'diameter', tool: 'calliper' }
      : { kind: 'span', tool: 'calliper', pitches: 1 + Math.floor(draw() * 6) };
  const first = answer(part, firstAsk);
  const question = { gender, condition: 'clean' as const, readings: [first] };
  const before = rankThreads(question);
  const next = furtherMeasurement(question);
  const after = next ? rankThreads({ ...question, readings: [first, answer(part, next.ask)] }) : before;
  return {
    asked: next !== null,
    left: before.filter((candidate) => candidate.possible).length,
    firstBefore: before[0]?.thread === thread,
    firstAfter: after[0]?.thread === thread,
    trueStillPossible: after.some((candidate) => candidate.thread === thread && candidate.possible),
  };
}

test(`after the reading that is asked for, the true thread is first in at least 99 % of ${TRIALS} trials`, () => {
  const trials = Array.from({ length: TRIALS }, trial);
  const share = (holds: (one: (typeof trials)[number]) => boolean, of = trials) =>
    of.filter(holds).length / of.length;
  const asked = trials.filter((one) => one.asked);
  // The trials are worth something: most of them began in doubt, and many with the wrong thread first.
  expect(asked.length).toBeGreaterThan(TRIALS / 3);
  expect(share((one) => one.firstBefore, asked)).toBeLessThan(0.7);
  expect(share((one) => one.firstAfter)).toBeGreaterThanOrEqual(0.99);
  expect(share((one) => one.firstAfter, asked)).toBeGreaterThanOrEqual(0.99);
  expect(share((one) => one.trueStillPossible)).toBe(1);
  // In doubt and nothing asked would be a dead end.
  expect(trials.filter((one) => one.left > 1 && !one.asked)).toHaveLength(0);
});
