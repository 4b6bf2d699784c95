/** How much thread a banjo bolt finds in its port, after washers and eyes have taken their share. */
import { count, length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import { washersNeeded } from './washers.ts';

const GRIP: Formula = { expression: 'g = N·h + w·t', source: 'washerStack' };
const ENGAGED: Formula = { expression: 'e = l − g', source: 'engagementRule' };
const LEAST: Formula = { expression: 'e_min = 0.8·d', source: 'engagementRule' };
const GAP: Formula = { expression: 'c = p − e', source: 'bottomingGap' };

const ENGAGEMENT_PER_DIAMETER = 0.8;
const LEAST_BOTTOM_GAP_m = 0.001;

export interface BanjoStack {
  readonly eyes: number;
  readonly eyeThickness_m: number;
  readonly washerThickness_m: number;
  /** Under the head to the tip. */
  readonly boltLength_m: number;
  readonly boltDiameter_m: number;
  /** Null where nobody has measured it: then it is not known whether the bolt meets the bottom. */
  readonly portDepth_m: number | null;
}

export interface Engagement {
  readonly washers: number;
  readonly grip_m: number;
  readonly engaged_m: number;
  readonly leastEngaged_m: number;
  /** Null: not checked, for the depth of the port is not known. */
  readonly bottomGap_m: number | null;
}

/** Grip, engaged thread and, where the depth of the port is known, clearance to its bottom. Raises M29 (too short) and M30 (bottoms). */
export function boltEngagement(stack: BanjoStack): Result<Engagement> {
  const { eyes, portDepth_m, ...lengths } = stack;
  const refused = firstNotPositive({ ...lengths, ...(portDepth_m === null ? {} : { portDepth_m }) });
  if (refused) return problem(refused);
  const washers = washersNeeded(eyes);
  if (!washers.ok) return washers;

  const grip_m = eyes * stack.eyeThickness_m + washers.value * stack.washerThickness_m;
  const engaged_m = stack.boltLength_m - grip_m;
  const leastEngaged_m = ENGAGEMENT_PER_DIAMETER * stack.boltDiameter_m;
  const bottomGap_m = portDepth_m === null ? null : portDepth_m - engaged_m;

  // Half a micrometre: what is left of exact drawing dimensions after a few subtractions.
  const noise_m = 5e-7;
  const cautions: Caution[] = [];
  if (engaged_m < leastEngaged_m - noise_m)
    cautions.push({ id: 'M29', evidence: { engaged_m, wanted_m: leastEngaged_m } });
  if (bottomGap_m !== null && bottomGap_m < LEAST_BOTTOM_GAP_m - noise_m)
    cautions.push({ id: 'M30', evidence: { bottomGap_m } });

  const gripTerm = term('g', 'grip', length(grip_m));
  const engagedTerm = term('e', 'engagedThread', length(engaged_m));
  return calculated(
    { washers: washers.value, grip_m, engaged_m, leastEngaged_m, bottomGap_m },
    [
      ...washers.working,
      {
        formula: GRIP,
        inputs: [
          term('N', 'eyes', count(eyes)),
          term('h', 'eyeThickness', length(stack.eyeThickness_m)),
          term('w', 'washers', count(washers.value)),
          term('t', 'washerThickness', length(stack.washerThickness_m)),
        ],
        result: gripTerm,
      },
      {
        formula: ENGAGED,
        inputs: [term('l', 'boltLength', length(stack.boltLength_m)), gripTerm],
        result: engagedTerm,
      },
      {
        formula: LEAST,
        inputs: [term('d', 'nominalDiameter', length(stack.boltDiameter_m))],
        result: term('e_min', 'leastEngagement', length(leastEngaged_m)),
      },
      ...(portDepth_m === null || bottomGap_m === null
        ? []
        : [
            {
              formula: GAP,
              inputs: [term('p', 'portDepth', length(portDepth_m)), engagedTerm],
              result: term('c', 'bottomGap', length(bottomGap_m)),
            },
          ]),
    ],
    cautions,
  );
}
