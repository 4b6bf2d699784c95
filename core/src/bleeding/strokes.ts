/** How many lever strokes the reservoir allows before its minimum is reached. */
import { count, length, ratio, volume } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import { unphysical } from '../calculation/physical.ts';

const PER_STROKE: Formula = { expression: 'V_s = π/4·d²·(s/i)·η', source: 'cylinderVolume' };
const STROKES: Formula = { expression: 'n = ⌊V_res / V_s⌋', source: 'cylinderVolume' };
const LEFT: Formula = { expression: 'n_left = n − n_done', source: 'cylinderVolume' };

/** Share of the swept volume that leaves: not measured here, an open nipple passes nearly all of it. */
export const STROKE_EFFICIENCY = 1;

/** Warn while there is still time to put the lever down and pick the bottle up. */
const WARN_AT_STROKES_LEFT = 2;

export interface MasterStroke {
  readonly masterBore_m: number;
  /** Travel at the lever where the hand pulls. */
  readonly leverStroke_m: number;
  readonly leverRatio: number;
  /** Part of the swept volume that leaves the nipple, 0…1. */
  readonly efficiency: number;
}

/** Fluid moved by one full stroke, cubic metres. */
export function strokeVolume(master: MasterStroke): Result<number> {
  const refused = firstNotPositive({
    masterBore_m: master.masterBore_m,
    leverStroke_m: master.leverStroke_m,
    leverRatio: master.leverRatio,
    efficiency: master.efficiency,
  });
  if (refused) return problem(refused);
  // No more leaves than was swept.
  if (master.efficiency > 1) return problem({ code: 'tooLarge', field: 'efficiency' });
  const volume_m3 =
    (Math.PI / 4) * master.masterBore_m ** 2 * (master.leverStroke_m / master.leverRatio) * master.efficiency;
  return calculated(volume_m3, [
    {
      formula: PER_STROKE,
      inputs: [
        term('d', 'masterBore', length(master.masterBore_m)),
        term('s', 'leverStroke', length(master.leverStroke_m)),
        term('i', 'leverRatio', ratio(master.leverRatio)),
        term('η', 'strokeEfficiency', ratio(master.efficiency)),
      ],
      result: term('V_s', 'strokeVolume', volume(volume_m3)),
    },
  ]);
}

export interface RefillGuard {
  readonly strokesBeforeMinimum: number;
  readonly strokesLeft: number;
}

/**
 * Strokes left before the reservoir is at its minimum. `usable_m3` is the volume between the present full
 * mark and the minimum mark; `caught_m3` what left it since by ways without strokes. Raises M50 when two or fewer are left.
 */
export function refillGuard(
  master: MasterStroke,
  usable_m3: number,
  strokesSinceTopUp: number,
  abs: boolean,
  caught_m3 = 0,
): Result<RefillGuard> {
  const perStroke = strokeVolume(master);
  if (!perStroke.ok) return perStroke;
  const refused = firstNotPositive({ usable_m3 });
  if (refused) return problem(refused);
  const unsound = unphysical(
    { strokesSinceTopUp, caught_m3 },
    { notNegative: ['strokesSinceTopUp', 'caught_m3'] },
  );
  if (unsound) return problem(unsound);

  const strokesBeforeMinimum = Math.floor(usable_m3 / perStroke.value + 1e-9);
  // What was caught counts as the strokes that would have moved it.
  const strokesDone = strokesSinceTopUp + Math.ceil(caught_m3 / perStroke.value - 1e-9);
  const strokesLeft = strokesBeforeMinimum - strokesDone;
  const cautions: Caution[] =
    strokesLeft <= WARN_AT_STROKES_LEFT ? [{ id: 'M50', evidence: { strokesLeft, abs } }] : [];
  const total = term('n', 'strokesBeforeMinimum', count(strokesBeforeMinimum));
  return calculated(
    { strokesBeforeMinimum, strokesLeft },
    [
      ...perStroke.working,
      {
        formula: STROKES,
        inputs: [
          term('V_res', 'usableReservoir', volume(usable_m3)),
          term('V_s', 'strokeVolume', volume(perStroke.value)),
        ],
        result: total,
      },
      {
        formula: LEFT,
        inputs: [total, term('n_done', 'strokesSinceTopUp', count(strokesDone))],
        result: term('n_left', 'strokesLeft', count(strokesLeft)),
      },
    ],
    cautions,
  );
}
