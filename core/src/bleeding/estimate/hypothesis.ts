/** One story of a brake that could be true: how much air it began with and where, and how the strokes were really made. */
import { bellOf, chance } from '../../calculation/chance.ts';
import type { Bleeding } from '../simulator/bleeding.ts';
import {
  advance,
  airIn,
  bleeding,
  fillReservoir,
  moveLever,
  openNipple,
  passedAt,
  putAir,
  reservoirLeft,
} from '../simulator/bleeding.ts';
import type { DrawnBrake } from '../simulator/fromCircuit.ts';
import { crestOf } from '../simulator/fromCircuit.ts';
import type { BleedSystem } from '../simulator/system.ts';

/** Guesses of ours, told as such: how full a caliper is, how big it is, how a hand strokes. */
const MOST_DRY = 0.6;
const ROOM_SPREAD = 0.2;
const LOW_CHANCE = 0.2;
const LOW_HEIGHT = [0.7, 0.9] as const;
const LATE_CHANCE = 0.4;
const MOST_LATE = 0.4;
const MOST_MISSED = 0.12;
const MOST_DOUBTED = 0.04;
const LEAST_STROKE = 0.75;
/** A story needs no finer steps than this. */
const STEP_s = 1 / 60;

export interface EstimatePlan {
  /** Lines that were put on dry. */
  readonly dryLines: readonly string[];
  /** Nipples of which nobody has seen where they stand. */
  readonly unseenNipples: readonly string[];
  /** Calipers that lost no fluid: nothing at them was opened. */
  readonly fullParts: readonly string[];
}

export interface Story {
  readonly bled: Bleeding;
  readonly master: string;
  readonly stroke_m: number;
  readonly usable_m3: number;
  readonly seed: number;
  readonly strokeShare: number;
  readonly late: number;
  readonly missed: number;
  readonly doubted: number;
}

/** The same brake with calipers of another size, and nipples that stand lower than drawn. */
function varied(
  { reservoirs, parts, nipples, ...rest }: BleedSystem,
  unseen: readonly string[],
  next: () => number,
) {
  const room = new Map<string, number>();
  const isCaliper = new Set(nipples.map(({ on }) => on));
  for (const { id } of parts) room.set(id, Math.exp(bellOf(next) * ROOM_SPREAD));
  return {
    ...rest,
    reservoirs,
    parts: parts.map((part) =>
      part.kind === 'cavity' && isCaliper.has(part.id)
        ? { ...part, volume_m3: part.volume_m3 * (room.get(part.id) ?? 1) }
        : part,
    ),
    nipples: nipples.map((nipple) => {
      const isLow = next() < LOW_CHANCE;
      const height = LOW_HEIGHT[0] + next() * (LOW_HEIGHT[1] - LOW_HEIGHT[0]);
      return isLow && unseen.includes(nipple.id) ? { ...nipple, height } : nipple;
    }),
  };
}

export function story(brake: DrawnBrake, plan: EstimatePlan, seed: number): Story {
  const next = chance(seed);
  const system = varied(brake.system, plan.unseenNipples, next);
  const bled = bleeding(system);
  for (const part of system.parts) {
    const isDry = plan.dryLines.some((line) => part.id === line || part.id === crestOf(line));
    if (part.kind === 'line' && isDry) putAir(bled, part.id, 1);
    // A caliper loses little more often than much.
    const share = next() ** 1.5 * MOST_DRY;
    if (
      part.kind === 'cavity' &&
      [...brake.hosts.values()].includes(part.id) &&
      !plan.fullParts.includes(part.id)
    )
      putAir(bled, part.id, share * part.volume_m3);
  }
  const [master] = system.parts;
  return {
    bled,
    master: master?.id ?? '',
    stroke_m: master?.kind === 'master' ? master.stroke_m : 0,
    usable_m3: system.reservoirs[0]?.usable_m3 ?? 0,
    seed,
    strokeShare: LEAST_STROKE + next() * (1 - LEAST_STROKE),
    late: next() < LATE_CHANCE ? next() * MOST_LATE : 0,
    missed: next() * MOST_MISSED,
    doubted: next() * MOST_DOUBTED,
  };
}

/** Open, press, shut, let go; or let go before it is shut. */
function strokeOf({ bled, master, stroke_m, strokeShare }: Story, nipple: string, isLate: boolean): void {
  openNipple(bled, nipple, 1);
  moveLever(bled, master, { to_m: stroke_m * strokeShare, speed_m_s: stroke_m / 0.8 });
  advance(bled, 0.9, STEP_s);
  if (!isLate) openNipple(bled, nipple, 0);
  moveLever(bled, master, { to_m: 0, speed_m_s: stroke_m / 0.4 });
  if (isLate) {
    advance(bled, 0.25, STEP_s);
    openNipple(bled, nipple, 0);
  }
  advance(bled, 0.6, STEP_s);
}

/** What was done at the nipples, in its order. */
export interface BleedDone {
  readonly nippleId: string;
  readonly kind: 'stroke' | 'topUp';
}

/** A story after one more deed: the air at atmosphere in every part, and what the deed sent out of its nipple as air. */
export interface Frame {
  readonly air_m3: readonly number[];
  readonly sent_m3: number;
}

const frameOf = ({ bled }: Story, sent_m3: number): Frame => ({
  air_m3: bled.layout.system.parts.map(({ id }) => airIn(bled, id)),
  sent_m3,
});
export const firstFrame = (told: Story): Frame => frameOf(told, 0);

/** A stroke that was counted: once, or once more than was counted, or not made at all. `at`: the how manieth deed it is. */
export function tell(told: Story, { nippleId, kind }: BleedDone, at: number): Frame {
  const { bled, usable_m3, seed, late, missed, doubted } = told;
  if (kind === 'topUp') {
    fillReservoir(bled, 'reservoir', { add_m3: usable_m3 - reservoirLeft(bled, 'reservoir') });
    return frameOf(told, 0);
  }
  // By its own number, so that a story goes on the same whatever was told before.
  const next = chance(seed * 65_537 + at);
  const before = passedAt(bled, nippleId).air_m3;
  if (next() >= doubted) strokeOf(told, nippleId, next() < late);
  if (next() < missed) strokeOf(told, nippleId, next() < late);
  return frameOf(told, passedAt(bled, nippleId).air_m3 - before);
}
