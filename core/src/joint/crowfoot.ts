/** What a torque wrench is set to when a crowfoot or an extension makes it longer or shorter. */
import { angle, length, torque } from '../calculation/quantity.ts';
import { unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, Term } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const SET: Formula = { expression: 'T_set = T·L / (L + E·cos α)', source: 'leverage' };
const REACHED: Formula = { expression: 'T = T_read·(L + E·cos α) / L', source: 'leverage' };

/** How a crowfoot or an extension stands on a wrench. */
export interface Adapter {
  /** From the middle of the wrench’s grip to its square. */
  readonly wrench_m: number;
  /** From the square to the middle of the joint; below nothing where the crowfoot points back along the wrench. */
  readonly extension_m: number;
  /** Between wrench and extension: nothing in line, a quarter turn square to it. */
  readonly angle_rad: number;
}

export interface Crowfoot extends Adapter {
  /** What the joint shall have. */
  readonly target_Nm: number;
}

export interface CrowfootReading extends Adapter {
  /** What is read on the wrench. */
  readonly read_Nm: number;
}

/** The setting, newton metres. Problem: a figure without meaning; an extension that reaches back to the grip. */
export function crowfootSetting(input: Crowfoot): Result<number> {
  const { target_Nm } = input;
  const refused = firstNotPositive({ target_Nm });
  if (refused) return problem(refused);
  const lever = leverOf(input);
  if (!lever.ok) return lever;
  const set_Nm = target_Nm / lever.value;
  return calculated(set_Nm, [
    {
      formula: SET,
      inputs: [term('T', 'torqueTarget', torque(target_Nm)), ...termsOf(input)],
      result: term('T_set', 'wrenchSetting', torque(set_Nm)),
    },
  ]);
}

/** What the joint has when the wrench shows a torque, newton metres. Problems as for the setting. */
export function crowfootTorque(input: CrowfootReading): Result<number> {
  const { read_Nm } = input;
  const refused = firstNotPositive({ read_Nm });
  if (refused) return problem(refused);
  const lever = leverOf(input);
  if (!lever.ok) return lever;
  const reached_Nm = read_Nm * lever.value;
  return calculated(reached_Nm, [
    {
      formula: REACHED,
      inputs: [term('T_read', 'torqueReading', torque(read_Nm)), ...termsOf(input)],
      result: term('T', 'jointTorque', torque(reached_Nm)),
    },
  ]);
}

/** How many times the wrench's own torque the joint has. */
function leverOf({ wrench_m, extension_m, angle_rad }: Adapter): Result<number> {
  const refused = firstNotPositive({ wrench_m }) ?? unphysical({ extension_m, angle_rad });
  if (refused) return problem(refused);
  const effective_m = extension_m * Math.cos(angle_rad);
  return wrench_m + effective_m > 0
    ? calculated((wrench_m + effective_m) / wrench_m, [])
    : problem({ code: 'notPositive', field: 'extension_m', value: extension_m });
}

const termsOf = ({ wrench_m, extension_m, angle_rad }: Adapter): readonly Term[] => [
  term('L', 'wrenchLength', length(wrench_m)),
  term('E', 'crowfootLength', length(extension_m)),
  term('α', 'crowfootAngle', angle(angle_rad)),
];
