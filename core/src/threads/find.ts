/** Which threads explain what was read, best first. */
import { count, fineLength, ratio } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Problem } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, Working, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import { threadNamed, THREADS } from './catalogue.ts';
import type { Explanation } from './explain.ts';
import { explain } from './explain.ts';
import { handStarts } from './handStart.ts';
import type { ThreadCondition, ThreadReading } from './reading.ts';
import type { Thread, ThreadGender } from './thread.ts';
import { unphysical } from '../calculation/physical.ts';

export interface ThreadQuestion {
  readonly gender: ThreadGender;
  readonly condition: ThreadCondition;
  readonly readings: readonly ThreadReading[];
}

export interface ThreadCandidate {
  readonly thread: Thread;
  /** Whether every reading lies within the limits, give or take the tools' errors. */
  readonly possible: boolean;
  /** Sum of the readings' misfits; smaller explains better. */
  readonly misfit: number;
  readonly explanations: readonly Explanation[];
}

export interface ThreadFinding {
  /** Every thread of the catalogue: the possible ones first, then the nearest of the others. */
  readonly candidates: readonly ThreadCandidate[];
  readonly verdict: 'one' | 'several' | 'none';
  /** Other threads that explain the readings about as well, should crests have been counted for gaps; best first. */
  readonly slips: readonly ThreadCandidate[];
}

const PITCH: Formula = { expression: 'P = s / n', source: 'iso68' };
const PLAY: Formula = { expression: 'turns = (D₂ − d₂)·tan 30° / |ΔP|', source: 'flankPlay' };

/**
 * Ranks the catalogue by how well the limits of each thread's class explain the readings.
 * Raises M21 (3/8-24 and M10), M22 (crests counted), M23 (bore taken as thread size), M24 (bore fits two pitches).
 * Problem: no reading, a reading that is not positive, a hand start on a bolt.
 */
export function findThread(question: ThreadQuestion): Result<ThreadFinding> {
  const refused = questionProblem(question);
  if (refused) return problem(refused);
  const candidates = rankThreads(question);
  const possible = candidates.filter((candidate) => candidate.possible);
  const slips = slippedThreads(question, candidates);
  const verdict = possible.length === 0 ? 'none' : possible.length === 1 ? 'one' : 'several';
  return calculated(
    { candidates, verdict, slips },
    working(question, candidates[0]),
    cautionsOf(question, possible, slips),
  );
}

/** The ranking alone, for a question known to be sound. */
export function rankThreads(question: ThreadQuestion): readonly ThreadCandidate[] {
  const { gender, condition, readings } = question;
  return THREADS.map((thread): ThreadCandidate => {
    const explanations = readings.map((reading) => explain(thread, gender, condition, reading));
    return {
      thread,
      explanations,
      possible: explanations.every((explanation) => explanation.possible),
      misfit: explanations.reduce((sum, explanation) => sum + explanation.misfit, 0),
    };
  }).sort((left, right) => Number(right.possible) - Number(left.possible) || left.misfit - right.misfit);
}

/** What is wrong with the readings; null when they can be explained. */
export function questionProblem({ gender, readings }: ThreadQuestion): Problem | null {
  if (readings.length === 0) return { code: 'noThreadReading', field: 'readings' };
  for (const reading of readings) {
    const refused = refuseReading(gender, reading);
    if (refused) return refused;
  }
  return null;
}

function refuseReading(gender: ThreadGender, reading: ThreadReading): Problem | null {
  switch (reading.kind) {
    case 'diameter':
      return (
        firstNotPositive({ diameter_m: reading.diameter_m, uncertainty_m: reading.uncertainty_m }) ??
        unphysical({ jawFlat_m: reading.jawFlat_m }, { notNegative: ['jawFlat_m'] }) ??
        (reading.jawFlat_m >= reading.diameter_m ? { code: 'jawWiderThanBore', field: 'jawFlat_m' } : null)
      );
    case 'span':
      return firstNotPositive({
        span_m: reading.span_m,
        pitches: reading.pitches,
        uncertainty_m: reading.uncertainty_m,
      });
    case 'count':
      return firstNotPositive({ threads: reading.threads, within_m: reading.within_m });
    case 'handStart':
      if (gender === 'external') return { code: 'handStartNeedsPort', field: 'handStart' };
      return threadNamed(reading.bolt) === null ? { code: 'unknownThread', field: 'bolt' } : null;
  }
}

const INCH_NEIGHBOUR = '3/8-24 UNF';

function cautionsOf(
  question: ThreadQuestion,
  possible: readonly ThreadCandidate[],
  [slip]: readonly ThreadCandidate[],
): readonly Caution[] {
  const names = possible.map((candidate) => candidate.thread.designation);
  const cautions: Caution[] = [];
  const metric = names.find((name) => name.startsWith('M10'));
  if (names[0] === INCH_NEIGHBOUR || (names.includes(INCH_NEIGHBOUR) && metric !== undefined)) {
    cautions.push({ id: 'M21', evidence: { certain: names.length === 1, other: metric ?? 'M10×1.0' } });
  }
  const bore = question.readings.find((reading) => reading.kind === 'diameter');
  const span = question.readings.find((reading) => reading.kind === 'span');
  if (slip && span?.kind === 'span')
    cautions.push({
      id: 'M22',
      evidence: { crests: span.pitches, thread: slip.thread.designation, typed: names[0] ?? null },
    });
  if (possible.length === 0) {
    if (question.gender === 'external' && bore) {
      const port = rankThreads({ ...question, gender: 'internal' })[0];
      if (port?.possible) {
        const evidence = { bore_m: bore.diameter_m, thread: port.thread.designation };
        cautions.push({ id: 'M23', evidence });
      }
    }
  }
  const [first, second] = possible;
  if (
    question.gender === 'internal' &&
    bore &&
    first &&
    second &&
    possible.some((other) => other !== first && Math.abs(other.thread.major_m - first.thread.major_m) < 1e-9)
  ) {
    cautions.push({ id: 'M24', evidence: { bore_m: bore.diameter_m, threads: names } });
  }
  return cautions;
}

/** Two explanations whose misfits differ by less than this are about as good: two standard deviations of one reading. */
const ABOUT_AS_WELL = 4;

/** Every way in which some of the spans may have been counted by crests: one gap fewer in them, for the fifth crest is four pitches. */
function slippedReadings(readings: readonly ThreadReading[]): readonly (readonly ThreadReading[])[] {
  let ways: readonly (readonly ThreadReading[])[] = [[]];
  for (const reading of readings) {
    const slipped =
      reading.kind === 'span' && reading.pitches > 1 ? [{ ...reading, pitches: reading.pitches - 1 }] : [];
    ways = ways.flatMap((way) => [reading, ...slipped].map((next) => [...way, next]));
  }
  // The first is that nothing slipped.
  return ways.slice(1);
}

/** Spans that are looked at for slips: beyond these there is more than enough to go by. */
const MOST_SPANS = 4;

/**
 * The threads that are possible if crests were counted for gaps and explain the readings about as well as what was typed does,
 * best first: five crests of M10×1.25 typed as five gaps look exactly like M10×1.0.
 */
export function slippedThreads(
  question: ThreadQuestion,
  asTyped: readonly ThreadCandidate[],
): readonly ThreadCandidate[] {
  const spans = question.readings.filter(({ kind }) => kind === 'span').slice(0, MOST_SPANS);
  const others = question.readings.filter(({ kind }) => kind !== 'span');
  const limit = asTyped[0]?.possible ? asTyped[0].misfit + ABOUT_AS_WELL : Infinity;
  const found = new Map<Thread, ThreadCandidate>();
  for (const slipped of slippedReadings(spans))
    for (const candidate of rankThreads({ ...question, readings: [...others, ...slipped] })) {
      const isTyped = asTyped.some(({ thread, possible }) => possible && thread === candidate.thread);
      if (!candidate.possible || isTyped || candidate.misfit > limit) continue;
      if (candidate.misfit < (found.get(candidate.thread)?.misfit ?? Infinity))
        found.set(candidate.thread, candidate);
    }
  return [...found.values()].sort((left, right) => left.misfit - right.misfit);
}

/** How the readings compare with the limits of the best candidate. */
function working(question: ThreadQuestion, best: ThreadCandidate | undefined): Working {
  if (!best) return [];
  const { thread } = best;
  return question.readings.flatMap((reading, index): readonly WorkingStep[] => {
    const expected = best.explanations[index]?.expected;
    switch (reading.kind) {
      case 'diameter':
        return expected
          ? [
              {
                formula: { expression: 'd_lo − u ≤ d ≤ d_hi + u', source: thread.source },
                inputs: [
                  term('d_lo', 'threadLimitLow', fineLength(expected.low_m)),
                  term('d_hi', 'threadLimitHigh', fineLength(expected.high_m)),
                  term('u', 'toolError', fineLength(reading.uncertainty_m)),
                ],
                result: term('d', 'threadDiameter', fineLength(reading.diameter_m)),
              },
            ]
          : [];
      case 'span':
      case 'count': {
        const [span_m, pitches] =
          reading.kind === 'span' ? [reading.span_m, reading.pitches] : [reading.within_m, reading.threads];
        return [
          {
            formula: PITCH,
            inputs: [
              term('s', 'threadSpan', fineLength(span_m)),
              term('n', 'pitchesRead', count(pitches)),
              term('P₀', 'threadPitch', fineLength(thread.pitch_m)),
            ],
            result: term('P', 'pitchRead', fineLength(span_m / pitches)),
          },
        ];
      }
      case 'handStart': {
        const bolt = threadNamed(reading.bolt);
        if (!bolt) return [];
        return handStarts(bolt, thread)
          .filter((start) => start.outcome === reading.outcome && Number.isFinite(start.turns))
          .slice(0, 1)
          .map(({ play_m, turns }) => ({
            formula: PLAY,
            inputs: [
              term('D₂ − d₂', 'flankPlay', fineLength(play_m)),
              term('ΔP', 'pitchDifference', fineLength(Math.abs(bolt.pitch_m - thread.pitch_m))),
            ],
            result: term('turns', 'turnsByHand', ratio(turns)),
          }));
      }
    }
  });
}
