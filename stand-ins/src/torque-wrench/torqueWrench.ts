/** A torque wrench that does not exist: it clicks, tells torque over angle, and is seeded, so that a run can be had again. */
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Answer, Instrument } from '../instrument/serveLines.ts';
import { curveOf } from './curve.ts';
import type { Misbehaviour } from './misbehaviour.ts';
import { curvePlan, misbehave, shownAs } from './misbehaviour.ts';
import { PROTOCOL, RequestSchema, say } from './protocol.ts';

export interface TorqueWrenchPlan {
  readonly seed: number;
  readonly serial: string;
  readonly minimum_Nm: number;
  readonly maximum_Nm: number;
  readonly calibratedOn?: string | null;
  /** What goes wrong at the first pull, the second …; well-behaved when the list has run out. */
  readonly misbehaviours: readonly Misbehaviour[];
  /** Time between two lines of a pull; none: all at once. */
  readonly pace_ms?: number;
}

const RESOLUTION_Nm = 0.1;
const ANGLE_STEP_rad = 0.001;

/** Greatest relative deviation of a setting wrench: ±6 % up to 10 N·m, ±4 % above. ISO 6789-1, type II, from memory. */
export const permissibleDeviation = (target_Nm: number): number => (target_Nm <= 10 ? 0.06 : 0.04);

/**
 * One wrench, one partner at a time. Its clicks lie within the permissible deviation, most of them near the middle. It understands
 * `aim` (refused out of its range), `pull` (refused before it was aimed) and `again`: the rest of a pull it has told before.
 */
export function torqueWrench(plan: TorqueWrenchPlan): Instrument {
  const random = xoroshiro128plus(plan.seed);
  const { pace_ms = 0 } = plan;
  let target_Nm: number | null = null;
  /** The lines of every pull. */
  const told: (readonly string[])[] = [];

  const pull = (aimed_Nm: number): Answer => {
    const sequence = told.length + 1;
    const kind = plan.misbehaviours[sequence - 1] ?? 'none';
    // The sum of two even draws is a triangle between the limits: nothing lies beyond them.
    const deviation = (uniformFloat64(random) + uniformFloat64(random) - 1) * permissibleDeviation(aimed_Nm);
    const curve = curveOf(curvePlan(kind, aimed_Nm * (1 + deviation)));
    const shown = curve.map(({ at_s, angle_rad, torque_Nm }) => ({
      at_s: rounded(at_s, 0.001),
      angle_rad: rounded(angle_rad, ANGLE_STEP_rad),
      torque_Nm: rounded(shownAs(kind, torque_Nm), RESOLUTION_Nm),
    }));
    const lines = [
      ...shown.map((sample, index) => say({ type: 'sample', sequence, index, ...sample })),
      say({
        type: 'peak',
        sequence,
        peak_Nm: Math.max(...shown.map(({ torque_Nm }) => torque_Nm)),
        samples: shown.length,
      }),
    ];
    told.push(lines);
    return { ...misbehave(kind, lines), pace_ms };
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
        simulated: true,
        minimum_Nm: plan.minimum_Nm,
        maximum_Nm: plan.maximum_Nm,
        resolution_Nm: RESOLUTION_Nm,
        calibratedOn: plan.calibratedOn ?? null,
        pulls: told.length,
      }),
    answer: (line) => {
      const request = RequestSchema.safeParse(parsed(line));
      if (!request.success) return only(say({ type: 'refused', reason: 'notUnderstood' }));
      if (request.data.type === 'pull') {
        return target_Nm === null ? only(say({ type: 'refused', reason: 'notAimed' })) : pull(target_Nm);
      }
      if (request.data.type === 'again') {
        const lines = told[request.data.sequence - 1];
        return lines === undefined
          ? only(say({ type: 'refused', reason: 'noSuchPull' }))
          : { lines: lines.slice(Math.min(request.data.from, lines.length - 1)), hangUp: false, pace_ms };
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

const rounded = (value: number, step: number): number => Number((Math.round(value / step) * step).toFixed(3));

function parsed(line: string): unknown {
  try {
    return JSON.parse(line);
  } catch {
    return null;
  }
}
