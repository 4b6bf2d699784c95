/** What a torque wrench is set to when a crowfoot or an extension makes it longer or shorter. */
import { angle, length, torque } from '../calculation/quantity.ts';
import { unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const SET: Formula = { expression: 'T_set = T·L / (L + E·cos α)', source: 'leverage' };

export interface Crowfoot {
  /** What the joint shall have. */
  readonly target_Nm: number;
  /** From the middle of the wrench’s grip to its square. */
  readonly wrench_m: number;
  /** From the square to the middle of the joint; below nothing where the crowfoot points back along the wrench. */
  readonly extension_m: number;
  /** Between wrench and extension: nothing in line, a quarter turn square to it. */
  readonly angle_rad: number;
}

/** The setting, newton metres. Problem: a figure without meaning; an extension that reaches back to the grip. */
export function crowfootSetting(input: Crowfoot): Result<number> {
  const { target_Nm, wrench_m, extension_m, angle_rad } = input;
  const refused = firstNotPositive({ target_Nm, wrench_m }) ?? unphysical({ extension_m, angle_rad });
  if (refused) return problem(refused);
  const effective_m = extension_m * Math.cos(angle_rad);
  if (!(wrench_m + effective_m > 0))
    return problem({ code: 'notPositive', field: 'extension_m', value: extension_m });
  const set_Nm = (target_Nm * wrench_m) / (wrench_m + effective_m);
  return calculated(set_Nm, [
    {
      formula: SET,
      inputs: [
        term('T', 'torqueTarget', torque(target_Nm)),
        term('L', 'wrenchLength', length(wrench_m)),
        term('E', 'crowfootLength', length(extension_m)),
        term('α', 'crowfootAngle', angle(angle_rad)),
      ],
      result: term('T_set', 'wrenchSetting', torque(set_Nm)),
    },
  ]);
}
