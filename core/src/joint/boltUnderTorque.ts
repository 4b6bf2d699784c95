/** A torque on a banjo bolt over everything its thread's friction may be: from least to most clamp, and where the bolt gives. */
import type { Problem } from '../calculation/problem.ts';
import type { Calculated, Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { BanjoBolt, BoltLoad, BoltLoading, WasherFace } from './boltLoad.ts';
import { boltLoad } from './boltLoad.ts';
import type { ThreadState } from './boltMaterials.ts';
import { FRICTIONS_OF } from './boltMaterials.ts';

/** Our example of an M10 bolt and its washers, as shares of the bolt's diameter: no part of any maker. */
const USUAL = { bore: 0.5, crossHole: 0.3, neck: 0.82, outside: 1.4, inside: 1.02 } as const;

export interface BoltAndWasher {
  readonly bolt: BanjoBolt;
  readonly washer: WasherFace;
}

/** What nobody has measured of a banjo bolt, in the proportions of our example: an assumption, and shown as one. */
export function usualBoltAndWasher({
  diameter_m,
  pitch_m,
  yield_Pa,
}: Pick<BanjoBolt, 'diameter_m' | 'pitch_m' | 'yield_Pa'>): BoltAndWasher {
  return {
    bolt: {
      diameter_m,
      pitch_m,
      yield_Pa,
      bore_m: USUAL.bore * diameter_m,
      crossHole_m: USUAL.crossHole * diameter_m,
      crossHoles: 1,
      neck_m: USUAL.neck * diameter_m,
    },
    washer: { outside_m: USUAL.outside * diameter_m, inside_m: USUAL.inside * diameter_m },
  };
}

export interface BoltUnderTorque {
  /** By friction, the least first: the most clamp. */
  readonly loads: readonly { readonly friction: number; readonly load: Calculated<BoltLoad> }[];
  readonly leastClamp_N: number;
  readonly mostClamp_N: number;
  /** Of the clamp, with the brake on. */
  readonly leastLeft_N: number;
  readonly mostLeft_N: number;
  /** On the seat with the brake on, at the least clamp. */
  readonly leastLeftSeat_Pa: number;
  /** On the seat before, at the most. */
  readonly mostSeat_Pa: number;
  /** Of the bolt's yield, in the worse section. */
  readonly leastUsed: number;
  readonly mostUsed: number;
  readonly critical: BoltLoad['critical'];
  /** With the least friction the bolt gives from here on; with the most, from `surelyGives_Nm`. */
  readonly mayGive_Nm: number;
  readonly surelyGives_Nm: number;
}

/** Everything is proportional to the torque, so that where the bolt gives follows from how much of its yield is used. Problems as of `boltLoad`. */
export function boltUnderTorque({
  threads,
  ...loading
}: Omit<BoltLoading, 'threadFriction' | 'headFriction'> & {
  readonly threads: ThreadState;
}): Result<BoltUnderTorque> {
  const loads: { readonly friction: number; readonly load: Calculated<BoltLoad> }[] = [];
  let refused: Problem | null = null;
  for (const friction of FRICTIONS_OF[threads]) {
    const load = boltLoad({ ...loading, threadFriction: friction, headFriction: friction });
    if (load.ok) loads.push({ friction, load });
    else refused ??= load.problem;
  }
  const [slick, rough] = [loads[0]?.load, loads.at(-1)?.load];
  if (refused || !slick || !rough)
    return problem(refused ?? { code: 'notPositive', field: 'threadFriction', value: 0 });
  return calculated(
    {
      loads,
      leastClamp_N: rough.value.clamp_N,
      mostClamp_N: slick.value.clamp_N,
      leastLeft_N: rough.value.left_N,
      mostLeft_N: slick.value.left_N,
      leastLeftSeat_Pa: rough.value.leftSeat_Pa,
      mostSeat_Pa: slick.value.seat_Pa,
      leastUsed: rough.value.used,
      mostUsed: slick.value.used,
      critical: slick.value.critical,
      mayGive_Nm: loading.torque_Nm / slick.value.used,
      surelyGives_Nm: loading.torque_Nm / rough.value.used,
    },
    [...slick.working, ...rough.working],
  );
}
