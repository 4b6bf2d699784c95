/** Where readings leave several threads possible: the one further reading that best tells them apart. */
import { TOOL_FACTS } from './reading.ts';
import type { ThreadReading, ThreadTool } from './reading.ts';
import { explain, shownDiameter } from './explain.ts';
import type { ThreadCandidate, ThreadQuestion } from './find.ts';
import { questionProblem, rankThreads, slippedThreads } from './find.ts';
import { handOutcomes, handStarts } from './handStart.ts';
import { threadNamed } from './catalogue.ts';
import type { HandOutcome } from './handStart.ts';
import type { Limits, Thread } from './thread.ts';
import { demand } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';

/** What to do next: a reading still without its answer. */
export type FurtherAsk =
  | { readonly kind: 'diameter'; readonly tool: ThreadTool }
  | { readonly kind: 'span'; readonly tool: ThreadTool; readonly pitches: number }
  | { readonly kind: 'handStart'; readonly bolt: string };

export interface FurtherMeasurement {
  readonly ask: FurtherAsk;
  /** What each remaining thread would show. */
  readonly expected: readonly {
    readonly designation: string;
    readonly limits: Limits | null;
    readonly outcomes: readonly HandOutcome[];
  }[];
  /** Wrong threads that would on average still be possible afterwards; 0 settles it. */
  readonly wrongLeft: number;
  /** The same before it. */
  readonly wrongNow: number;
}

/** Pitches that can usually be reached on a banjo bolt or tube nut. */
const REACHABLE_PITCHES = 5;
const SAMPLES = 15;

/**
 * Weighs every reading that could be taken next by how many wrong threads it would leave on average, and gives the
 * best; the earlier in the list wins a tie. Where one is left, the reading that rules out counted crests. Null when nothing is
 * left to settle, or nothing separates the rest.
 */
export function furtherMeasurement(
  question: ThreadQuestion,
  reachablePitches = REACHABLE_PITCHES,
): FurtherMeasurement | null {
  demand(questionProblem(question) ?? firstNotPositive({ reachablePitches }));
  const ranked = rankThreads(question);
  const remaining = ranked.filter((candidate) => candidate.possible);
  const [best, ...others] = remaining;
  if (best && others.length === 0) return againstSlip(question, best, slippedThreads(question, ranked));
  if (remaining.length < 2) return null;
  const wrongNow = remaining.length - 1;
  const weighed = asks(question, remaining, reachablePitches).map((ask) => ({
    ask,
    wrongLeft: wrongLeftAfter(ask, question, remaining),
  }));
  const least = weighed.reduce<(typeof weighed)[number] | null>(
    (found, next) => (found === null || next.wrongLeft < found.wrongLeft - 1e-6 ? next : found),
    null,
  );
  if (least === null || least.wrongLeft > wrongNow - 0.05) return null;
  return {
    ...least,
    wrongNow,
    expected: remaining.map(({ thread }) => expectation(least.ask, question, thread)),
  };
}

/** Gaps that are easily counted right, and one more than many that are not. */
const FEW_GAPS = [2, 3, 4, 6, 8, 10];

/**
 * The span that tells a thread from those it would be if crests had been counted: over so few gaps that neither a right count
 * nor the same slip once more gives the same figure. Null without such threads.
 */
function againstSlip(
  question: ThreadQuestion,
  typed: ThreadCandidate,
  slips: readonly ThreadCandidate[],
): FurtherMeasurement | null {
  if (slips.length === 0) return null;
  const room_m = 2 * TOOL_FACTS.calliper.uncertainty_m;
  const tells = (pitches: number) =>
    slips.every(({ thread }) =>
      [pitches, pitches - 1].every(
        (counted) => Math.abs(pitches * typed.thread.pitch_m - counted * thread.pitch_m) > room_m,
      ),
    );
  const pitches = FEW_GAPS.find(tells);
  if (pitches === undefined) return null;
  const ask: FurtherAsk = { kind: 'span', tool: 'calliper', pitches };
  return {
    ask,
    wrongLeft: 0,
    wrongNow: slips.length,
    expected: [typed, ...slips].map(({ thread }) => expectation(ask, question, thread)),
  };
}

/** Everything that could be read next, the least trouble first. A hand start is asked with every thread still possible. */
function asks(
  question: ThreadQuestion,
  remaining: readonly ThreadCandidate[],
  reachablePitches: number,
): readonly FurtherAsk[] {
  const span: FurtherAsk = { kind: 'span', tool: 'calliper', pitches: reachablePitches };
  if (question.gender === 'external') {
    return [
      span,
      { kind: 'diameter', tool: 'calliper' },
      { kind: 'diameter', tool: 'micrometer' },
      { ...span, pitches: 2 * reachablePitches },
    ];
  }
  // A bolt that came out may itself be the mistake: a gauge bolt in the port is better evidence than its pitch.
  return [
    { kind: 'diameter', tool: 'calliper' },
    ...remaining.map(({ thread }): FurtherAsk => ({ kind: 'handStart', bolt: thread.designation })),
    { kind: 'diameter', tool: 'boreGauge' },
    span,
  ];
}

/** The reading that the ask gives when a faultless or faulty tool shows this. */
export function readingOf(ask: FurtherAsk, shown: number | HandOutcome): ThreadReading {
  if (ask.kind === 'handStart') {
    return { kind: 'handStart', bolt: ask.bolt, outcome: shown as HandOutcome };
  }
  const { uncertainty_m, jawFlat_m } = TOOL_FACTS[ask.tool];
  return ask.kind === 'diameter'
    ? { kind: 'diameter', diameter_m: shown as number, uncertainty_m, jawFlat_m }
    : { kind: 'span', span_m: shown as number, pitches: ask.pitches, uncertainty_m };
}

function wrongLeftAfter(
  ask: FurtherAsk,
  question: ThreadQuestion,
  remaining: readonly ThreadCandidate[],
): number {
  const weights = remaining.map((candidate) => Math.exp(-candidate.misfit / 2));
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return remaining.reduce((sum, truth, index) => {
    const readings = possibleReadings(ask, question, truth.thread);
    const left = readings.reduce(
      (wrong, reading) =>
        wrong +
        remaining.filter(
          (other) =>
            other !== truth && explain(other.thread, question.gender, question.condition, reading).possible,
        ).length,
      0,
    );
    return sum + ((weights[index] ?? 0) / total) * (left / readings.length);
  }, 0);
}

/** Readings spread evenly over what this thread may show, tool error included. */
function possibleReadings(
  ask: FurtherAsk,
  question: ThreadQuestion,
  thread: Thread,
): readonly ThreadReading[] {
  if (ask.kind === 'handStart') {
    const bolt = threadNamed(ask.bolt);
    return bolt ? handStarts(bolt, thread).map((start) => readingOf(ask, start.outcome)) : [];
  }
  const limits = expectation(ask, question, thread).limits;
  if (!limits) return [];
  const { uncertainty_m } = TOOL_FACTS[ask.tool];
  const low_m = limits.low_m - uncertainty_m;
  const width_m = limits.high_m + uncertainty_m - low_m;
  return Array.from({ length: SAMPLES }, (_none, index) =>
    readingOf(ask, low_m + (width_m * index) / (SAMPLES - 1)),
  );
}

function expectation(
  ask: FurtherAsk,
  question: ThreadQuestion,
  thread: Thread,
): FurtherMeasurement['expected'][number] {
  const { designation } = thread;
  switch (ask.kind) {
    case 'diameter': {
      const limits = shownDiameter(
        thread,
        question.gender,
        question.condition,
        TOOL_FACTS[ask.tool].jawFlat_m,
      );
      return { designation, limits, outcomes: [] };
    }
    case 'span': {
      const span_m = ask.pitches * thread.pitch_m;
      return { designation, limits: { low_m: span_m, high_m: span_m }, outcomes: [] };
    }
    case 'handStart': {
      const bolt = threadNamed(ask.bolt);
      return { designation, limits: null, outcomes: bolt ? handOutcomes(bolt, thread) : [] };
    }
  }
}
