/**
 * How long the steps of a plan take: the middle and spread of what was logged, pulled towards a default as long as there is little
 * of it; and the sum of steps that share how slow this job is.
 */
import type { StepKind } from './steps.ts';

/** Of the logarithms: half of all work lies within a factor e^0.67s. */
export interface StepTime {
  readonly median_s: number;
  readonly spread: number;
}
export interface LearntTime extends StepTime {
  /** Of the logs alone; null where there is none. */
  readonly logged: StepTime | null;
}

/** As many logs as the default weighs. */
const WEIGHT = 5;
const DEFAULT_SPREAD = 0.5;
/** Makes the median absolute deviation of a normal sample its standard deviation. */
const TO_SPREAD = 1.4826;
/** What makes all steps of one job slow or quick together, in the logarithm. */
const JOB_FACTOR = 0.2;
/** Of a normal distribution: 10 % and 90 %. */
const BAND = 1.2816;

const median = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  const half = sorted.length / 2;
  const upper = sorted[Math.floor(half)] ?? 0;
  return Number.isInteger(half) ? ((sorted[half - 1] ?? 0) + upper) / 2 : upper;
};

/** Seconds that a kind of step took before, and what is usual for it. Durations that are not positive say nothing. */
export function learntTime(durations_s: readonly number[], default_s: number): LearntTime {
  const logs = durations_s.filter((duration_s) => duration_s > 0).map(Math.log);
  const count = logs.length;
  const middle = median(logs);
  const spread = TO_SPREAD * median(logs.map((log) => Math.abs(log - middle)));
  const total = count + WEIGHT;
  return {
    logged: count === 0 ? null : { median_s: Math.exp(middle), spread },
    median_s: Math.exp((count * middle + WEIGHT * Math.log(default_s)) / total),
    spread: Math.sqrt((count * spread ** 2 + WEIGHT * DEFAULT_SPREAD ** 2) / total),
  };
}

export interface TotalTime {
  readonly total_s: number;
  /** Of the logarithm. */
  readonly sigma: number;
  /** In eight of ten jobs it lies between these. */
  readonly low_s: number;
  readonly high_s: number;
}

/**
 * Sum of steps, each lognormal, as one lognormal of the same mean and variance (L. F. Fenton, The Sum of Log-Normal Probability
 * Distributions in Scatter Transmission Systems, 1960), widened by what the steps of one job share.
 */
export function totalTime(times: readonly StepTime[], jobFactor = JOB_FACTOR): TotalTime {
  const mean = times.reduce((sum, { median_s, spread }) => sum + median_s * Math.exp(spread ** 2 / 2), 0);
  if (mean === 0) return { total_s: 0, sigma: 0, low_s: 0, high_s: 0 };
  const variance = times.reduce(
    (sum, { median_s, spread }) => sum + Math.expm1(spread ** 2) * median_s ** 2 * Math.exp(spread ** 2),
    0,
  );
  const own = Math.log1p(variance / mean ** 2);
  const total_s = mean * Math.exp(-own / 2);
  const sigma = Math.sqrt(own + jobFactor ** 2);
  return {
    total_s,
    sigma,
    low_s: total_s * Math.exp(-BAND * sigma),
    high_s: total_s * Math.exp(BAND * sigma),
  };
}

/** Our estimates, until a shop has logged its own. Steps of the stages after it are not counted here; a soak is waiting, not work. */
export const USUAL_TIME_s: Readonly<Partial<Record<StepKind, number>>> = {
  openCover: 300,
  closeCover: 300,
  photograph: 30,
  offerUp: 120,
  settle: 60,
  unplugLead: 40,
  plugLead: 40,
  coverPaint: 90,
  countCaps: 30,
  clean: 60,
  crack: 40,
  mark: 15,
  open: 60,
  join: 90,
  freshWashers: 60,
  torque: 60,
  byFeel: 45,
  turnEnd: 180,
  level: 30,
  drainReservoir: 90,
  drainNipple: 240,
  cap: 15,
  uncap: 10,
  releaseHold: 30,
  placeHold: 40,
  tightenHold: 30,
  takeOff: 60,
  route: 120,
  heat: 420,
  reflare: 900,
  movement: 150,
};
/** A soak that nobody watches. */
export const SOAK_s = 3600;
