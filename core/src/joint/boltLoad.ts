/**
 * What a torque does to a hollow, cross-drilled banjo bolt: clamp, stress in the thread and at the neck where the holes cross it,
 * pressure on the washers, and what is left of the clamp when the brake is on. No stress concentration is counted.
 */
import { area, force, fraction, length, pressure, ratio, stress, torque } from '../calculation/quantity.ts';
import type { Problem } from '../calculation/problem.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import { unphysical } from '../calculation/physical.ts';

const CLAMP: Formula = { expression: 'F = T ÷ (0.16·P + 0.58·d₂·µ_G + ½·D_km·µ_K)', source: 'vdi2230' };
const THREAD: Formula = { expression: 'σ_v = √((F/A)² + 3·(T_G/W_p)²)', source: 'vdi2230' };
const NECK_AREA: Formula = {
  expression: 'A = ring − what the cross-hole takes of it',
  source: 'boltSections',
};
const NECK: Formula = { expression: 'σ_v = √((F/A)² + 3·(T_G/W_p)²)', source: 'boltSections' };
const SEAT: Formula = { expression: 'p = F ÷ (π/4·(D² − d²))', source: 'boltSections' };
const NUT_FACTOR: Formula = { expression: 'K = T ÷ (F·d)', source: 'vdi2230' };
const LEFT: Formula = { expression: 'F_left = F − p·π/4·d_seal²', source: 'boltSections' };

export interface BanjoBolt {
  readonly diameter_m: number;
  readonly pitch_m: number;
  /** The hole along it. */
  readonly bore_m: number;
  /** Across it, right through; so many of them at the same height. */
  readonly crossHole_m: number;
  readonly crossHoles: number;
  /** Outside of the neck between head and thread, where the cross-holes are. */
  readonly neck_m: number;
  /** 0.2 % proof stress or yield of its material. */
  readonly yield_Pa: number;
}

export interface WasherFace {
  readonly outside_m: number;
  readonly inside_m: number;
}

export interface BoltLoading {
  readonly bolt: BanjoBolt;
  readonly washer: WasherFace;
  readonly torque_Nm: number;
  readonly threadFriction: number;
  readonly headFriction: number;
  /** In the line, for what is left of the clamp. */
  readonly pressure_Pa: number;
  /** What of the pressure's force the bolt takes and the seat keeps, 0…1; left out, the seat loses all of it: the worst case. */
  readonly loadFactor?: number;
}

export interface BoltLoad {
  readonly clamp_N: number;
  readonly threadStress_Pa: number;
  readonly neckStress_Pa: number;
  /** Of the yield, in the worse of the two sections. */
  readonly used: number;
  readonly critical: 'thread' | 'neck';
  readonly seat_Pa: number;
  readonly left_N: number;
  /** On the seat with the brake on. */
  readonly leftSeat_Pa: number;
  /** How the torque is shared between thread and head. */
  readonly threadTorque_Nm: number;
  readonly headTorque_Nm: number;
  /** T/(F·d). */
  readonly nutFactor: number;
}

/** From a circle's middle a strip of this width, both ends round. */
function strip_m2(radius_m: number, width_m: number): number {
  const a = Math.min(width_m / 2, radius_m);
  return 2 * (a * Math.sqrt(radius_m ** 2 - a ** 2) + radius_m ** 2 * Math.asin(a / radius_m));
}

/** The neck’s section where one cross-hole, or several side by side in turn, pierce the ring. */
export function neckArea_m2({ neck_m, bore_m, crossHole_m, crossHoles }: BanjoBolt): number {
  const ring = (Math.PI / 4) * (neck_m ** 2 - bore_m ** 2);
  return ring - crossHoles * (strip_m2(neck_m / 2, crossHole_m) - strip_m2(bore_m / 2, crossHole_m));
}

const twistModulus_m3 = (outside_m: number, inside_m: number): number =>
  (Math.PI / 16) * outside_m ** 3 * (1 - (inside_m / outside_m) ** 4);

/** Why nothing can be worked out, or null. */
function refusalOf({
  bolt,
  washer,
  torque_Nm,
  threadFriction,
  headFriction,
  pressure_Pa,
  loadFactor = 0,
}: BoltLoading): Problem | null {
  return (
    firstNotPositive({
      diameter_m: bolt.diameter_m,
      pitch_m: bolt.pitch_m,
      neck_m: bolt.neck_m,
      bore_m: bolt.bore_m,
      yield_Pa: bolt.yield_Pa,
      torque_Nm,
      threadFriction,
      headFriction,
    }) ??
    firstNotPositive({ washerOutside_m: washer.outside_m, washerInside_m: washer.inside_m }) ??
    unphysical(
      { crossHole_m: bolt.crossHole_m, crossHoles: bolt.crossHoles, pressure_Pa, loadFactor },
      { notNegative: ['crossHole_m', 'crossHoles', 'pressure_Pa', 'loadFactor'] },
    ) ??
    (Number.isInteger(bolt.crossHoles)
      ? null
      : { code: 'notPositive', field: 'crossHoles', value: bolt.crossHoles }) ??
    // A thread has a core: its ridges are less than the bolt.
    (bolt.pitch_m < bolt.diameter_m / 2 ? null : { code: 'boreOverNeck', field: 'pitch_m' }) ??
    (bolt.bore_m < bolt.neck_m ? null : { code: 'boreOverNeck', field: 'bore_m' }) ??
    (washer.inside_m < washer.outside_m ? null : { code: 'boreOverNeck', field: 'washerInside_m' })
  );
}

/** Lengths and sections that the figures come from. */
interface Sections {
  readonly flank_m: number;
  readonly headMean_m: number;
  readonly stress_m: number;
  readonly threadArea_m2: number;
  readonly neckArea_m2: number;
}

/** Metric thread geometry of ISO 68-1 and ISO 724. */
function sectionsOf({ bolt, washer }: BoltLoading): Sections {
  const height = (bolt.pitch_m * Math.sqrt(3)) / 2;
  const flank_m = bolt.diameter_m - (3 / 4) * height;
  const core_m = bolt.diameter_m - (17 / 12) * height;
  const stress_m = (flank_m + core_m) / 2;
  return {
    flank_m,
    headMean_m: (washer.outside_m + washer.inside_m) / 2,
    stress_m,
    threadArea_m2: (Math.PI / 4) * (stress_m ** 2 - bolt.bore_m ** 2),
    neckArea_m2: neckArea_m2(bolt),
  };
}

/** Clamp after VDI 2230 with its rounded coefficients (from memory), and what it does to bolt and seat. */
function loadOf(input: BoltLoading, sections: Sections): BoltLoad {
  const { bolt, washer, torque_Nm, threadFriction, headFriction, pressure_Pa, loadFactor = 0 } = input;
  const { flank_m, headMean_m, stress_m, threadArea_m2 } = sections;
  const threadArm_m = 0.16 * bolt.pitch_m + 0.58 * flank_m * threadFriction;
  const clamp_N = torque_Nm / (threadArm_m + (headMean_m / 2) * headFriction);
  const threadTorque_Nm = clamp_N * threadArm_m;
  const combined = (area_m2: number, modulus_m3: number) =>
    Math.hypot(clamp_N / area_m2, Math.sqrt(3) * (threadTorque_Nm / modulus_m3));
  const threadStress_Pa = combined(threadArea_m2, twistModulus_m3(stress_m, bolt.bore_m));
  const neckStress_Pa = combined(sections.neckArea_m2, twistModulus_m3(bolt.neck_m, bolt.bore_m));
  const faceArea_m2 = (Math.PI / 4) * (washer.outside_m ** 2 - washer.inside_m ** 2);
  const left_N = clamp_N - (1 - loadFactor) * pressure_Pa * (Math.PI / 4) * washer.outside_m ** 2;
  return {
    clamp_N,
    threadStress_Pa,
    neckStress_Pa,
    used: Math.max(neckStress_Pa, threadStress_Pa) / bolt.yield_Pa,
    critical: neckStress_Pa >= threadStress_Pa ? 'neck' : 'thread',
    seat_Pa: clamp_N / faceArea_m2,
    left_N,
    leftSeat_Pa: Math.max(0, left_N) / faceArea_m2,
    threadTorque_Nm,
    headTorque_Nm: torque_Nm - threadTorque_Nm,
    nutFactor: torque_Nm / (clamp_N * bolt.diameter_m),
  };
}

export function boltLoad(input: BoltLoading): Result<BoltLoad> {
  const refused = refusalOf(input);
  if (refused) return problem(refused);
  const sections = sectionsOf(input);
  if (!(sections.threadArea_m2 > 0) || !(sections.neckArea_m2 > 0))
    return problem({ code: 'boreOverNeck', field: 'bore_m' });
  if ((input.loadFactor ?? 0) > 1) return problem({ code: 'tooLarge', field: 'loadFactor' });
  const load = loadOf(input, sections);
  return calculated(load, workingOf(input, sections, load));
}

function workingOf(
  { bolt, washer, torque_Nm, threadFriction, headFriction, pressure_Pa }: BoltLoading,
  { flank_m, headMean_m, threadArea_m2, neckArea_m2: neckArea }: Sections,
  load: BoltLoad,
): readonly WorkingStep[] {
  const clamp = term('F', 'clampForce', force(load.clamp_N));
  const turn = term('T_G', 'threadTorque', torque(load.threadTorque_Nm));
  return [
    {
      formula: CLAMP,
      inputs: [
        term('T', 'torqueReading', torque(torque_Nm)),
        term('P', 'threadPitch', length(bolt.pitch_m)),
        term('d₂', 'flankDiameter', length(flank_m)),
        term('D_km', 'headMeanDiameter', length(headMean_m)),
        term('µ_G', 'threadFriction', ratio(threadFriction)),
        term('µ_K', 'headFriction', ratio(headFriction)),
      ],
      result: clamp,
    },
    {
      formula: THREAD,
      inputs: [clamp, turn, term('A', 'threadSection', area(threadArea_m2))],
      result: term('σ_v', 'threadStress', stress(load.threadStress_Pa)),
    },
    {
      formula: NECK_AREA,
      inputs: [
        term('n', 'neckDiameter', length(bolt.neck_m)),
        term('b', 'boltBore', length(bolt.bore_m)),
        term('x', 'crossHole', length(bolt.crossHole_m)),
      ],
      result: term('A', 'neckSection', area(neckArea)),
    },
    {
      formula: NECK,
      inputs: [
        clamp,
        turn,
        term('A', 'neckSection', area(neckArea)),
        term('σ_v', 'neckStress', stress(load.neckStress_Pa)),
        term('R', 'yieldStress', stress(bolt.yield_Pa)),
      ],
      result: term('σ_v/R', 'yieldUsed', fraction(load.used)),
    },
    {
      formula: SEAT,
      inputs: [
        clamp,
        term('D', 'washerOutside', length(washer.outside_m)),
        term('d', 'washerInside', length(washer.inside_m)),
      ],
      result: term('p', 'seatPressure', stress(load.seat_Pa)),
    },
    {
      formula: LEFT,
      inputs: [
        clamp,
        term('p', 'linePressure', pressure(pressure_Pa)),
        term('d_seal', 'washerOutside', length(washer.outside_m)),
      ],
      result: term('F_left', 'clampLeft', force(load.left_N)),
    },
    {
      formula: NUT_FACTOR,
      inputs: [
        term('T', 'torqueReading', torque(torque_Nm)),
        clamp,
        term('d', 'nominalDiameter', length(bolt.diameter_m)),
      ],
      result: term('K', 'nutFactor', ratio(load.nutFactor)),
    },
  ];
}
