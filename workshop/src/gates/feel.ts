/** How a lever feels: pulls that were read before the work and after it, what they should be, and the air that they tell of. */
import type { Circuit, Hose, JobDetail, LeverPull } from '@zephyrcombe/contract';
import type {
  AirFromPulls,
  Caution,
  ExpectedTravel,
  FeelBrake,
  Result,
  TravelMaster,
} from '@zephyrcombe/core';
import {
  airFromPulls,
  expectedTravel,
  isSamePull,
  linePressure,
  lineVolume_m3,
  SAME_TRAVEL_m,
} from '@zephyrcombe/core';
import { CALIPER_m3 } from '@zephyrcombe/core/bleeding';
import { factOf } from '../fitting/facts.ts';

/** Beyond this share of all the way that it has, a lever is spongy, whatever explains it. Ours. */
const MOST_OF_WAY = 0.8;
export interface ReadPull extends LeverPull {
  readonly pressure_Pa: number;
}

/** What is cast on the master now; or when the lever was pulled, so that a blank field in the drawing takes no reading away. */
export function masterOf({ components }: Circuit, pull: LeverPull | null = null) {
  const {
    masterBore_m = null,
    leverRatio = null,
    leverStroke_m = null,
  } = components.find(({ kind }) => kind === 'master') ?? {};
  return {
    masterBore_m: masterBore_m ?? pull?.master?.masterBore_m ?? null,
    leverRatio: leverRatio ?? pull?.master?.leverRatio ?? null,
    leverStroke_m: leverStroke_m ?? pull?.master?.leverStroke_m ?? null,
  };
}

function travelMaster(circuit: Circuit, pull: LeverPull | null): TravelMaster | null {
  const { masterBore_m, leverRatio } = masterOf(circuit, pull);
  return masterBore_m === null || leverRatio === null ? null : { masterBore_m, leverRatio };
}

/** In the line: a spring balance at the lever says it by the master, whose figures have to be known; nothing is lost on the way. */
function pressureOf(circuit: Circuit, pull: LeverPull): number | null {
  const { by } = pull;
  if (by.with === 'gauge') return by.pressure_Pa;
  const master = travelMaster(circuit, pull);
  const told = master && linePressure({ ...master, force_N: by.force_N, efficiency: 1 });
  return told?.ok ? told.value : null;
}

/** When the strokes of a circuit were made. */
function strokeTimes({ bleedRuns }: JobDetail, { components }: Circuit): readonly number[] {
  const parts = new Set(components.map(({ id }) => id));
  return bleedRuns
    .filter(({ nippleId }) => parts.has(nippleId))
    .flatMap(({ events }) => events.filter(({ kind }) => kind === 'stroke').map(({ at }) => Date.parse(at)));
}

/** Whether the lever can still be read as it was before the work: nobody has pumped. */
export const isBeforeWork = (detail: JobDetail, circuit: Circuit, at = Infinity): boolean =>
  strokeTimes(detail, circuit).every((stroke) => stroke > at);

/** With its pressure, null where nobody can tell it; one that was made after the first stroke is none of before, whatever was said. */
function read(detail: JobDetail, circuit: Circuit, pull: LeverPull): ReadPull | null {
  const pressure_Pa = pressureOf(circuit, pull);
  if (pressure_Pa === null) return null;
  const when = isBeforeWork(detail, circuit, Date.parse(pull.at)) ? pull.when : 'after';
  return { ...pull, when, pressure_Pa };
}

const keyOf = ({ at, travel_m }: LeverPull): string => `${at} ${travel_m}`;

/** All that was ever said of pulls, once each, in the order in which it was first said: no clock of a phone decides it. */
function everRead(detail: JobDetail, circuit: Circuit): readonly ReadPull[] {
  const pulls = new Map<string, ReadPull>();
  for (const { said } of detail.fitFacts) {
    if (said.kind !== 'leverPulls' || said.subjectId !== circuit.id) continue;
    for (const pull of said.value ?? []) {
      const key = keyOf(pull);
      const own = pulls.has(key) ? null : read(detail, circuit, pull);
      if (own) pulls.set(key, own);
    }
  }
  return [...pulls.values()];
}

/** Those that were not taken back; those whose pressure nobody can tell are left out. */
export function readPulls(detail: JobDetail, circuit: Circuit): readonly ReadPull[] {
  const kept = new Set((factOf(detail, 'leverPulls', circuit.id) ?? []).map(keyOf));
  return everRead(detail, circuit).filter((pull) => kept.has(keyOf(pull)));
}

/** What the brake is when the lever feels right: hoses as they are now, or as they were before the job. */
export function feelBrake(
  detail: JobDetail,
  circuit: Circuit,
  pull: LeverPull | null = null,
): FeelBrake | null {
  const master = travelMaster(circuit, pull);
  if (!master) return null;
  const ordered = new Map(detail.hoses.map(({ hoseId, order_m }) => [hoseId, order_m]));
  const isNew = (hose: Hose) => pull?.when !== 'before' && ordered.has(hose.id);
  const lines = circuit.hoses.map((hose) => ({
    ...hose,
    length_m: (isNew(hose) ? ordered.get(hose.id) : null) ?? hose.length_m,
  }));
  const calipers = circuit.components.filter(
    ({ kind }) => kind === 'caliper' || kind === 'wheelCylinder',
  ).length;
  const inLines = lineVolume_m3(lines);
  return {
    ...master,
    hoses: lines
      .filter(({ kind }) => kind === 'hose')
      .map((hose) => ({
        length_m: hose.length_m,
        bore_m: hose.bore_m,
        swells: isNew(hose) || hose.construction === 'braided' ? 'low' : 'regular',
      })),
    fluid_m3: (inLines.ok ? inLines.value : 0) + calipers * CALIPER_m3,
    calipers,
  };
}

/** At the pressure of a pull; null where the master is not known. */
export function expectedFor(
  detail: JobDetail,
  circuit: Circuit,
  pull: ReadPull,
): Result<ExpectedTravel> | null {
  const brake = feelBrake(detail, circuit, pull);
  return brake && expectedTravel(brake, pull.pressure_Pa);
}

/** Of the pulls after the work, the newest one and that since the last stroke which is farthest from it: the air that both tell of. */
export function airByPulls(
  detail: JobDetail,
  circuit: Circuit,
): { readonly at: string; readonly told: Result<AirFromPulls> } | null {
  const after = readPulls(detail, circuit).filter(({ when }) => when === 'after');
  const last = after.at(-1);
  const master = last && travelMaster(circuit, last);
  if (!master) return null;
  const since = Math.max(0, ...strokeTimes(detail, circuit).filter((at) => at < Date.parse(last.at)));
  const apart = ({ pressure_Pa }: ReadPull) => Math.abs(Math.log(pressure_Pa / last.pressure_Pa));
  const [other] = after
    .slice(0, -1)
    .filter(({ at }) => Date.parse(at) >= since)
    .sort((a, b) => apart(b) - apart(a));
  if (!other) return null;
  const [soft, firm] = other.pressure_Pa < last.pressure_Pa ? [other, last] : [last, other];
  const reading = ({ pressure_Pa, travel_m }: ReadPull) => ({ pressure_Pa, lever_m: travel_m });
  return { at: last.at, told: airFromPulls(master, reading(soft), reading(firm)) };
}

/** By what one pull after the work goes too far; null where it is as it should be, or nothing is there to tell. */
function overAt(detail: JobDetail, circuit: Circuit, pull: ReadPull, all: readonly ReadPull[]) {
  const { travel_m, pressure_Pa } = pull;
  const expected = expectedFor(detail, circuit, pull);
  const { leverStroke_m } = masterOf(circuit, pull);
  const before = all.findLast((one) => one.when === 'before' && isSamePull(one.pressure_Pa, pressure_Pa));
  const none = { most_m: Infinity, slack_m: 0 };
  const limits = [
    {
      against: 'expected',
      ...(expected?.ok ? { most_m: expected.value.most_m, slack_m: SAME_TRAVEL_m } : none),
    },
    { against: 'bar', ...none, ...(leverStroke_m === null ? {} : { most_m: leverStroke_m * MOST_OF_WAY }) },
    {
      against: 'before',
      // Pulled a little harder it goes a little further.
      ...(before
        ? {
            most_m: before.travel_m,
            slack_m: SAME_TRAVEL_m + before.travel_m * Math.max(0, pressure_Pa / before.pressure_Pa - 1),
          }
        : none),
    },
  ] as const;
  const passed = limits.find(({ most_m, slack_m }) => travel_m > most_m + slack_m);
  return passed ? { travel_m, pressure_Pa, against: passed.against, most_m: passed.most_m } : null;
}

/**
 * M87 of each circuit where a pull after the work went further than its parts explain, nearly as far as it can, or further than the same
 * pull before it. It stays until a pull as firm is as it should be: taking a reading back, or a softer pull, is no answer.
 */
export const feelCautions = (detail: JobDetail): readonly Caution[] =>
  detail.circuits.flatMap(({ circuit }): readonly Caution[] => {
    const pulls = everRead(detail, circuit);
    let over: ReturnType<typeof overAt> = null;
    for (const pull of pulls.filter(({ when }) => when === 'after')) {
      const isAsFirm: boolean =
        over === null ||
        pull.pressure_Pa >= over.pressure_Pa ||
        isSamePull(pull.pressure_Pa, over.pressure_Pa);
      over = overAt(detail, circuit, pull, pulls) ?? (isAsFirm ? null : over);
    }
    return over ? [{ id: 'M87', evidence: over, subject: circuit.name }] : [];
  });
