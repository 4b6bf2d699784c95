/**
 * How much air is probably left in a brake, and where. Many stories that could be true are simulated along with the strokes that were
 * counted; what came out of the nipples makes some more likely than others; a soft and a firm pull at the lever weigh them by their
 * air and move each towards what was read. Told as a range, never as a measurement.
 */
import { demand, unphysical } from '../../calculation/physical.ts';
import type { DrawnBrake } from '../simulator/fromCircuit.ts';
import type { BleedDone, EstimatePlan, Frame, Story } from './hypothesis.ts';
import { firstFrame, story, tell } from './hypothesis.ts';

/** As many stories as a phone follows beside the work. */
const STORIES = 64;
/** Less air than this in one stroke is not seen at the tube. */
const SEEN_m3 = 2e-8;
/** What is seen and what was sent disagree once in so many times, whatever the reason. */
const WRONG = 0.08;
/** A story is an estimate itself: so far may it be off. */
const OFF_SHARE = 0.1;
const OFF_m3 = 2e-8;
/** Nobody feels less. */
const NOT_FELT_m3 = 3e-8;
/** The share of the stories that the range leaves out. */
const LEFT_OUT = 0.1;

export type BleedSeen =
  | BleedDone
  | { readonly kind: 'outflow'; readonly nippleId: string; readonly hasAir: boolean }
  | { readonly kind: 'pulls'; readonly air_m3: number; readonly error_m3: number };

/** Of what was done and seen, what was done. */
export const deedsOf = (seen: readonly BleedSeen[]): readonly BleedDone[] =>
  seen.flatMap((one) =>
    one.kind === 'stroke' || one.kind === 'topUp' ? [{ kind: one.kind, nippleId: one.nippleId }] : [],
  );

/** The stories of a brake as far as they were told: a frame before the first deed, and one after each. */
export interface Stories {
  readonly brake: DrawnBrake;
  readonly told: readonly Story[];
  readonly deeds: readonly BleedDone[];
  readonly frames: readonly (readonly Frame[])[];
}

export interface AirEstimate {
  readonly least_m3: number;
  readonly probable_m3: number;
  readonly most_m3: number;
  /** Shares of it, by part, the greatest first. */
  readonly where: readonly { readonly id: string; readonly share: number }[];
}

/** Before anything was done. */
export function storiesOf(brake: DrawnBrake, plan: EstimatePlan, many = STORIES): Stories {
  demand(unphysical({ many }, { positive: ['many'] }));
  const told = Array.from({ length: many }, (_, at) => story(brake, plan, 1 + at * 7919));
  return { brake, told, deeds: [], frames: told.map((one) => [firstFrame(one)]) };
}

/** With more deeds: those of before are not simulated again. Stories that were told on are used up. */
export function toldOn({ brake, told, deeds, frames }: Stories, more: readonly BleedDone[]): Stories {
  return {
    brake,
    told,
    deeds: [...deeds, ...more],
    frames: frames.map((before, at) => {
      const one = told[at];
      return one ? [...before, ...more.map((deed, index) => tell(one, deed, deeds.length + index))] : before;
    }),
  };
}

/** A story with how likely what was seen makes it. */
interface Weighed {
  readonly frames: readonly Frame[];
  log: number;
  /** The air of the story times this, and this much more: what the pulls made of it. */
  factor: number;
  more_m3: number;
  spread_m3: number;
}

const simulated_m3 = ({ frames }: Weighed, at: number): number =>
  (frames[at]?.air_m3 ?? []).reduce((sum, one) => sum + one, 0);
const air_m3 = (one: Weighed, at: number): number => simulated_m3(one, at) * one.factor + one.more_m3;

/** Of the stories, summing to one. */
function weights(stories: readonly Weighed[]): readonly number[] {
  const most = Math.max(...stories.map(({ log }) => log));
  const raw = stories.map(({ log }) => Math.exp(log - most));
  const sum = raw.reduce((all, one) => all + one, 0);
  return raw.map((one) => one / sum);
}

/** The stories are a few out of many: each stands for as much around it (Silverman's rule, never less than a story is off). */
function widths(stories: readonly Weighed[], airs: readonly number[]): readonly number[] {
  const shares = weights(stories);
  const mean = airs.reduce((sum, one, at) => sum + one * (shares[at] ?? 0), 0);
  const spread = Math.sqrt(airs.reduce((sum, one, at) => sum + (one - mean) ** 2 * (shares[at] ?? 0), 0));
  const many = 1 / shares.reduce((sum, one) => sum + one * one, 0);
  const own = 0.9 * spread * many ** -0.2;
  return airs.map((air) => Math.max(Math.min(own, air * 0.5 + OFF_m3), air * OFF_SHARE, OFF_m3));
}

function chanceOfSeeing(sent_m3: number, hasAir: boolean): number {
  const seen = WRONG + ((1 - 2 * WRONG) * sent_m3) / (sent_m3 + SEEN_m3);
  return hasAir ? seen : 1 - seen;
}

function pulled(stories: readonly Weighed[], at: number, read_m3: number, error_m3: number): void {
  demand(unphysical({ error_m3 }, { positive: ['error_m3'] }));
  const airs = stories.map((one) => air_m3(one, at));
  const around = widths(stories, airs);
  for (const [index, one] of stories.entries()) {
    const [air, width] = [airs[index] ?? 0, around[index] ?? OFF_m3];
    const both = error_m3 ** 2 + width ** 2;
    one.log -= (read_m3 - air) ** 2 / (2 * both) + Math.log(both) / 2;
    const gain = width ** 2 / both;
    const wanted = Math.max(0, air + gain * (read_m3 - air));
    const simulated = simulated_m3(one, at);
    one.factor = simulated > 0 ? Math.min(wanted / simulated, Math.max(3, one.factor)) : 1;
    one.more_m3 = Math.max(0, wanted - one.factor * simulated);
    one.spread_m3 = Math.sqrt(gain) * error_m3;
  }
}

/** The share of a bell around `middle` that lies below `x`. */
const below = (x: number, middle: number, width: number): number =>
  1 / (1 + Math.exp((-1.702 * (x - middle)) / width));

function quantile(
  airs: readonly number[],
  around: readonly number[],
  shares: readonly number[],
  share: number,
): number {
  let [low, high] = [0, Math.max(...airs.map((air, at) => air + 8 * (around[at] ?? 0)))];
  for (let turn = 0; turn < 60; turn += 1) {
    const middle = (low + high) / 2;
    const sum = airs.reduce(
      (all, air, at) => all + (shares[at] ?? 0) * below(middle, air, around[at] ?? 1),
      0,
    );
    if (sum < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** `seen` in its order; its deeds are those that the stories were told with, or the first of them. */
export function estimateAir({ brake, frames }: Stories, seen: readonly BleedSeen[]): AirEstimate {
  const stories = frames.map((own): Weighed => ({
    frames: own,
    log: 0,
    factor: 1,
    more_m3: 0,
    spread_m3: 0,
  }));
  let at = 0;
  let last = '';
  for (const one of seen)
    switch (one.kind) {
      case 'stroke':
      case 'topUp':
        at += 1;
        last = one.kind === 'stroke' ? one.nippleId : last;
        break;
      case 'outflow':
        // Of the stroke before it, at the same nipple: of another nothing is known by it.
        if (one.nippleId === last)
          for (const each of stories)
            each.log += Math.log(chanceOfSeeing(each.frames[at]?.sent_m3 ?? 0, one.hasAir));
        break;
      case 'pulls':
        pulled(stories, at, one.air_m3, one.error_m3);
    }
  const airs = stories.map((one) => air_m3(one, at));
  const shares = weights(stories);
  // After pulls a story is as sure as they made it.
  const around = stories.map(({ spread_m3 }, index) =>
    Math.max(spread_m3 > 0 ? spread_m3 : (airs[index] ?? 0) * OFF_SHARE, OFF_m3),
  );
  const quantileAt = (share: number) => quantile(airs, around, shares, share);
  const least_m3 = quantileAt(LEFT_OUT / 2);
  const isFelt = least_m3 > NOT_FELT_m3;
  const byPart = brake.system.parts.map(({ id }, part) => ({
    id,
    air_m3: stories.reduce(
      (sum, one, index) => sum + (one.frames[at]?.air_m3[part] ?? 0) * one.factor * (shares[index] ?? 0),
      0,
    ),
  }));
  const sum_m3 = byPart.reduce((all, one) => all + one.air_m3, 0);
  return {
    least_m3: isFelt ? least_m3 : 0,
    probable_m3: quantileAt(0.5),
    most_m3: quantileAt(isFelt ? 1 - LEFT_OUT / 2 : 1 - LEFT_OUT),
    where: byPart
      .map(({ id, air_m3: air }) => ({ id, share: sum_m3 > 0 ? air / sum_m3 : 0 }))
      .filter(({ share }) => share > 0.02)
      .sort((a, b) => b.share - a.share),
  };
}
