/** From the hand on the lever to the torque on the disc: pressure, clamp and brake torque. No friction of seals but what is said. */
import { area, force, fraction, length, pressure, ratio, torque } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const PRESSURE: Formula = { expression: 'p = F·i·η / (π/4·d²)', source: 'hydrostatics' };
const CLAMP: Formula = { expression: 'N = p·Σ π/4·d² on one side', source: 'hydrostatics' };
const TORQUE: Formula = { expression: 'T = 2·µ·N·r', source: 'discBrake' };

export interface LeverForce {
  /** At the lever, where the hand pulls. */
  readonly force_N: number;
  readonly leverRatio: number;
  /** What of the force arrives, 0…1. */
  readonly efficiency: number;
  readonly masterBore_m: number;
}

/** Pressure in the line, pascals. */
export function linePressure(input: LeverForce): Result<number> {
  const refused = firstNotPositive({ ...input });
  if (refused) return problem(refused);
  const { force_N, leverRatio, efficiency, masterBore_m } = input;
  if (efficiency > 1) return problem({ code: 'tooLarge', field: 'efficiency' });
  const pressure_Pa = (force_N * leverRatio * efficiency) / ((Math.PI / 4) * masterBore_m ** 2);
  return calculated(pressure_Pa, [
    {
      formula: PRESSURE,
      inputs: [
        term('F', 'leverForce', force(force_N)),
        term('i', 'leverRatio', ratio(leverRatio)),
        term('η', 'leverEfficiency', fraction(efficiency)),
        term('d', 'masterBore', length(masterBore_m)),
      ],
      result: term('p', 'linePressure', pressure(pressure_Pa)),
    },
  ]);
}

export const CALIPER_KINDS = ['opposed', 'sliding'] as const;
/** Pistons on both sides, or on one with a body that slides: the clamp is that of one side in either. */
export type CaliperKind = (typeof CALIPER_KINDS)[number];

export interface CaliperClamp {
  readonly clamp_N: number;
  /** Of the pistons on one side. */
  readonly side_m2: number;
  /** Of all pistons that fluid has to follow. */
  readonly displacing_m2: number;
}

/** What presses each pad on the disc. `pistons_m`: bores of the pistons on one side. */
export function caliperClamp(
  pressure_Pa: number,
  pistons_m: readonly number[],
  kind: CaliperKind,
): Result<CaliperClamp> {
  const refused =
    firstNotPositive({ pressure_Pa }) ??
    firstNotPositive(Object.fromEntries(pistons_m.map((bore_m, index) => [`pistons.${index}`, bore_m]))) ??
    (pistons_m.length > 0 ? null : ({ code: 'notPositive', field: 'pistons', value: 0 } as const));
  if (refused) return problem(refused);
  const side_m2 = pistons_m.reduce((sum, bore_m) => sum + (Math.PI / 4) * bore_m ** 2, 0);
  const clamp_N = pressure_Pa * side_m2;
  return calculated({ clamp_N, side_m2, displacing_m2: kind === 'opposed' ? 2 * side_m2 : side_m2 }, [
    {
      formula: CLAMP,
      inputs: [term('p', 'linePressure', pressure(pressure_Pa)), term('A', 'pistonArea', area(side_m2))],
      result: term('N', 'padClamp', force(clamp_N)),
    },
  ]);
}

/** Two pads on a disc at a mean radius, newton metres. */
export function brakeTorque(clamp_N: number, friction: number, radius_m: number): Result<number> {
  const refused = firstNotPositive({ clamp_N, friction, radius_m });
  if (refused) return problem(refused);
  const torque_Nm = 2 * friction * clamp_N * radius_m;
  return calculated(torque_Nm, [
    {
      formula: TORQUE,
      inputs: [
        term('µ', 'padFriction', ratio(friction)),
        term('N', 'padClamp', force(clamp_N)),
        term('r', 'discRadius', length(radius_m)),
      ],
      result: term('T', 'brakeTorque', torque(torque_Nm)),
    },
  ]);
}
