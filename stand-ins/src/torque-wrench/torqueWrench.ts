/** A click-type torque wrench that does not exist: seeded, so that a run can be had again. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Answer, Instrument } from '../instrument/serveLines.ts';
import type { Misbehaviour } from './misbehaviour.ts';
import { misbehave } from './misbehaviour.ts';
import { PROTOCOL, RequestSchema, say } from './protocol.ts';

export interface TorqueWrenchPlan {
  readonly seed: number;
  readonly serial: string;
  readonly minimum_Nm: number;
  readonly maximum_Nm: number;
  /** What it does wrong at the first pull, the second …; well-behaved when the list has run out. */
  readonly misbehaviours: readonly Misbehaviour[];
}

const RESOLUTION_Nm = 0.1;

/** Greatest relative deviation of a setting wrench: ±6 % up to 10 N·m, ±4 % above. ISO 6789-1, type II, from memory. */
export const permissibleDeviation = (target_Nm: number): number => (target_Nm <= 10 ? 0.06 : 0.04);

/**
 * One wrench, one partner at a time. Its clicks lie within the permissible deviation, most of them near the middle.
 * It understands `aim` (refused out of its range) and `pull` (refused before it was aimed).
 */
export function torqueWrench(plan: TorqueWrenchPlan): Instrument {
  const random = xoroshiro128plus(plan.seed);
  let target_Nm: number | null = null;
  let pulls = 0;

  const pull = (aimed_Nm: number): Answer => {
    pulls += 1;
    const sequence = pulls;
    // The sum of two even draws is a triangle between the limits: nothing lies beyond them.
    const deviation = (uniformFloat64(random) + uniformFloat64(random) - 1) * permissibleDeviation(aimed_Nm);
    const peak_Nm = Math.round((aimed_Nm * (1 + deviation)) / RESOLUTION_Nm) * RESOLUTION_Nm;
    return misbehave(plan.misbehaviours[sequence - 1] ?? 'none', Number(peak_Nm.toFixed(1)), (shown_Nm) =>
      say({ type: 'peak', sequence, peak_Nm: shown_Nm }),
    );
  };
  const only = (line: string): Answer => ({ lines: [line], hangUp: false });

  return {
    greeting: () =>
      say({
        type: 'hello',
        protocol: PROTOCOL.name,
        version: PROTOCOL.version,
        kind: 'torqueWrench',
        serial: plan.serial,
        minimum_Nm: plan.minimum_Nm,
        maximum_Nm: plan.maximum_Nm,
        resolution_Nm: RESOLUTION_Nm,
      }),
    answer: (line) => {
      const request = RequestSchema.safeParse(parsed(line));
      if (!request.success) return only(say({ type: 'refused', reason: 'notUnderstood' }));
      if (request.data.type === 'pull') {
        return target_Nm === null ? only(say({ type: 'refused', reason: 'notAimed' })) : pull(target_Nm);
      }
      const wanted_Nm = request.data.target_Nm;
      if (wanted_Nm < plan.minimum_Nm || wanted_Nm > plan.maximum_Nm) {
        return only(say({ type: 'refused', reason: 'outOfRange' }));
      }
      target_Nm = wanted_Nm;
      return only(say({ type: 'aimed', target_Nm }));
    },
  };
}

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return null;
  }
}
