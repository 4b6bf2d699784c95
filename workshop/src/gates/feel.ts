/** How a lever feels: pulls that were read before the work and after it, what they should be, and the air that they tell of. */
import type { Circuit, Hose, JobDetail, LeverPull } from '@zephyrcombe/contract';
import type { AirFromPulls, Caution, ExpectedTravel, FeelBrake, Result } from '@zephyrcombe/core';
import { airFromPulls, expectedTravel, isSamePull, linePressure, SAME_TRAVEL_m } from '@zephyrcombe/core';
import { factOf } from '../fitting/facts.ts';

/** Beyond this share of all the way that it has, a lever is spongy, whatever explains it. Ours. */
const MOST_OF_WAY = 0.8;
/** Room in a caliper that is full of fluid: an estimate. */
const CALIPER_m3 = 2e-5;

export interface ReadPull extends LeverPull {
  readonly pressure_Pa: number;
}

const masterOf = ({ components }: Circuit) => {
  const master = components.find(({ kind }) => kind === 'master');
  return master?.masterBore_m && master.leverRatio
    ? { masterBore_m: master.masterBore_m, leverRatio: master.leverRatio }
    : null;
};

/** In the line: a spring balance at the lever says it by the master, whose figures have to be known; nothing is lost on the way. */
function pressureOf(circuit: Circuit, { by }: LeverPull): number | null {
  if (by.with === 'gauge') return by.pressure_Pa;
  const master = masterOf(circuit);
  const told = master && linePressure({ ...master, force_N: by.force_N, efficiency: 1 });
  return told?.ok ? told.value : null;
}

/** As they were said, the oldest first; those whose pressure nobody can tell are left out. */
export const readPulls = (detail: JobDetail, circuit: Circuit): readonly ReadPull[] =>
  (factOf(detail, 'leverPulls', circuit.id) ?? []).flatMap((pull) => {
    const pressure_Pa = pressureOf(circuit, pull);
    return pressure_Pa === null ? [] : [{ ...pull, pressure_Pa }];
  });

/** What the brake is when the lever feels right: hoses as they are now, or as they were before the job. */
export function feelBrake(detail: JobDetail, circuit: Circuit, when: LeverPull['when']): FeelBrake | null {
  const master = masterOf(circuit);
  if (!master) return null;
  const ordered = new Map(detail.hoses.map(({ hoseId, order_m }) => [hoseId, order_m]));
  const isNew = (hose: Hose) => when === 'after' && ordered.has(hose.id);
  const lengthOf = (hose: Hose) => (isNew(hose) ? (ordered.get(hose.id) ?? hose.length_m) : hose.length_m);
  const calipers = circuit.components.filter(
    ({ kind }) => kind === 'caliper' || kind === 'wheelCylinder',
  ).length;
  const lines_m3 = circuit.hoses.reduce(
    (sum, hose) => sum + (Math.PI / 4) * hose.bore_m ** 2 * lengthOf(hose),
    0,
  );
  return {
    ...master,
    hoses: circuit.hoses
      .filter(({ kind }) => kind === 'hose')
      .map((hose) => ({
        length_m: lengthOf(hose),
        bore_m: hose.bore_m,
        swells: isNew(hose) || hose.construction === 'braided' ? 'low' : 'regular',
      })),
    fluid_m3: lines_m3 + calipers * CALIPER_m3,
    calipers,
  };
}

/** At the pressure of a pull; null where the master is not known. */
export function expectedFor(
  detail: JobDetail,
  circuit: Circuit,
  pull: ReadPull,
): Result<ExpectedTravel> | null {
  const brake = feelBrake(detail, circuit, pull.when);
  return brake && expectedTravel(brake, pull.pressure_Pa);
}

/** Of the pulls after the work, the newest firm one and the newest soft one before or after it: the air that both tell of. */
export function airByPulls(
  detail: JobDetail,
  circuit: Circuit,
): { readonly at: string; readonly told: Result<AirFromPulls> } | null {
  const master = masterOf(circuit);
  const after = readPulls(detail, circuit).filter(({ when }) => when === 'after');
  const last = after.at(-1);
  if (!master || !last) return null;
  const since = lastWork(detail, circuit, last.at);
  const own = after.filter(({ at }) => Date.parse(at) >= since && at !== last.at);
  const other = own.toSorted(
    (a, b) =>
      Math.abs(Math.log(b.pressure_Pa / last.pressure_Pa)) -
      Math.abs(Math.log(a.pressure_Pa / last.pressure_Pa)),
  )[0];
  if (!other) return null;
  const [soft, firm] = other.pressure_Pa < last.pressure_Pa ? [other, last] : [last, other];
  const reading = ({ pressure_Pa, travel_m }: ReadPull) => ({ pressure_Pa, lever_m: travel_m });
  return { at: last.at, told: airFromPulls(master, reading(soft), reading(firm)) };
}

/** When the circuit was last pumped at before a time. */
function lastWork(detail: JobDetail, { components }: Circuit, before: string): number {
  const parts = new Set(components.map(({ id }) => id));
  const times = detail.bleedRuns
    .filter(({ nippleId }) => parts.has(nippleId))
    .flatMap(({ events }) => events.filter(({ kind }) => kind === 'stroke').map(({ at }) => Date.parse(at)));
  return Math.max(0, ...times.filter((at) => at < Date.parse(before)));
}

/** By what one pull after the work goes too far; null where it is as it should be, or nothing is there to tell. */
function overAt(detail: JobDetail, circuit: Circuit, pull: ReadPull, all: readonly ReadPull[]) {
  const { travel_m, pressure_Pa } = pull;
  const expected = expectedFor(detail, circuit, pull);
  const most_m = expected?.ok ? expected.value.most_m : Infinity;
  if (travel_m > most_m + SAME_TRAVEL_m)
    return { travel_m, most_m, pressure_Pa, against: 'expected' as const };
  const { leverStroke_m = null } = circuit.components.find(({ kind }) => kind === 'master') ?? {};
  if (leverStroke_m !== null && travel_m > leverStroke_m * MOST_OF_WAY)
    return { travel_m, most_m: leverStroke_m * MOST_OF_WAY, pressure_Pa, against: 'bar' as const };
  const before = all.findLast((one) => one.when === 'before' && isSamePull(one.pressure_Pa, pressure_Pa));
  return before && travel_m > before.travel_m + SAME_TRAVEL_m
    ? { travel_m, most_m: before.travel_m, pressure_Pa, against: 'before' as const }
    : null;
}

/** All that was ever said of pulls, once each, in the order in which they were made. */
function everRead({ fitFacts }: JobDetail, circuit: Circuit): readonly ReadPull[] {
  const said = new Map<string, ReadPull>();
  for (const { said: fact } of fitFacts) {
    if (fact.kind !== 'leverPulls' || fact.subjectId !== circuit.id) continue;
    for (const pull of fact.value ?? []) {
      const pressure_Pa = pressureOf(circuit, pull);
      const key = `${pull.at} ${pull.travel_m}`;
      if (pressure_Pa !== null && !said.has(key)) said.set(key, { ...pull, pressure_Pa });
    }
  }
  return [...said.values()].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
}

/**
 * M87 of each circuit where a pull after the work went further than its parts explain, nearly as far as it can, or further than the same
 * pull before it. It stays
 * until a pull as firm is as it should be: taking a reading back, or a softer pull, is no answer.
 */
export const feelCautions = (detail: JobDetail): readonly Caution[] =>
  detail.circuits.flatMap(({ circuit }): readonly Caution[] => {
    const pulls = everRead(detail, circuit);
    let over: ReturnType<typeof overAt> = null;
    for (const pull of pulls) {
      if (pull.when === 'before') continue;
      const own = overAt(detail, circuit, pull, pulls);
      if (own) over = own;
      else if (
        over &&
        (pull.pressure_Pa >= over.pressure_Pa || isSamePull(pull.pressure_Pa, over.pressure_Pa))
      )
        over = null;
    }
    return over ? [{ id: 'M87', evidence: over, subject: circuit.name }] : [];
  });
