/** The lever held down: what its readings prove. An unread hold proves nothing. */
import { length, volume, ratio } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import { unphysical } from '../calculation/physical.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const CREEP: Formula = { expression: 'Δs = s₂ − s₁', source: 'holdTest' };
const LEAK: Formula = { expression: 'ΔV = Δs·(π/4·d²)/i', source: 'hydrostatics' };

/** Seals and hoses settle for so long: what is read before says nothing. Ours, no published source. */
export const SETTLING_s = 60;
/** Between the first reading that counts and the last. Ours. */
export const SHORTEST_HOLD_s = 60;
/** Two readings of a lever with a rule: nearer than this they are the same. Ours. */
export const SAME_TRAVEL_m = 0.001;

export interface HoldReading {
  /** Since the lever was pulled. */
  readonly at_s: number;
  /** From where it rests. */
  readonly travel_m: number;
}
/** Not read; too short; it stands; it still creeps, and ever slower; it creeps on. */
export const HOLD_VERDICTS = ['unread', 'tooShort', 'stands', 'fades', 'creeps'] as const;
export type HoldVerdict = (typeof HOLD_VERDICTS)[number];
export interface HoldJudgement {
  readonly verdict: HoldVerdict;
  readonly creep_m: number;
  /** What left the pressed fluid meanwhile, where the master is known. */
  readonly leak_m3: number | null;
}

export interface HoldMaster {
  readonly masterBore_m: number;
  readonly leverRatio: number;
}

/** Judges a hold at one force. Problem: a figure without meaning, or readings out of order. */
export function judgeHold(
  readings: readonly HoldReading[],
  master: HoldMaster | null,
): Result<HoldJudgement> {
  const refused =
    unphysical({ readings }, { notNegative: ['at_s', 'travel_m'] }) ??
    (master ? firstNotPositive({ masterBore_m: master.masterBore_m, leverRatio: master.leverRatio }) : null);
  if (refused) return problem(refused);
  const late = readings.findIndex(({ at_s }, at) => at_s < (readings[at - 1]?.at_s ?? 0));
  if (late >= 0) return problem({ code: 'readingsDisagree', field: `readings.${late}.at_s` });
  const counted = readings.filter(({ at_s }) => at_s >= SETTLING_s);
  const [first, last] = [counted[0], counted.at(-1)];
  const none = { creep_m: 0, leak_m3: null };
  if (!first || !last || counted.length < 2)
    return calculated({ ...none, verdict: readings.length < 2 ? 'unread' : 'tooShort' }, []);
  if (last.at_s - first.at_s < SHORTEST_HOLD_s) return calculated({ ...none, verdict: 'tooShort' }, []);
  const creep_m = last.travel_m - first.travel_m;
  const leak_m3 = master
    ? (Math.max(0, creep_m) * (Math.PI / 4) * master.masterBore_m ** 2) / master.leverRatio
    : null;
  return calculated({ verdict: verdictOf(counted, creep_m), creep_m, leak_m3 }, [
    {
      formula: CREEP,
      inputs: [
        term('s₁', 'leverTravel', length(first.travel_m)),
        term('s₂', 'leverTravel', length(last.travel_m)),
      ],
      result: term('Δs', 'leverTravel', length(creep_m)),
    },
    ...(master && leak_m3 !== null
      ? [
          {
            formula: LEAK,
            inputs: [
              term('d', 'masterBore', length(master.masterBore_m)),
              term('i', 'leverRatio', ratio(master.leverRatio)),
            ],
            result: term('ΔV', 'volumeMoved', volume(leak_m3)),
          },
        ]
      : []),
  ]);
}

function verdictOf(counted: readonly HoldReading[], creep_m: number): HoldVerdict {
  if (creep_m <= SAME_TRAVEL_m) return 'stands';
  const [before, last] = counted.slice(-2);
  const isSlower =
    counted.length > 2 && before && last && last.travel_m - before.travel_m <= SAME_TRAVEL_m / 2;
  return isSlower ? 'fades' : 'creeps';
}
