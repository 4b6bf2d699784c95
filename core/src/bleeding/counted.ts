/** What can be had by counting strokes from the full mark to the minimum, where nothing is printed: one unknown at a time. */
import { count, length, ratio, volume } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { MasterStroke } from './strokes.ts';
import { strokeVolume } from './strokes.ts';

const VOLUME: Formula = { expression: 'V_res = n·V_s', source: 'cylinderVolume' };
const STROKE: Formula = { expression: 's = V_res·i / (n·π/4·d²·η)', source: 'cylinderVolume' };

/** Volume between the marks, cubic metres, from the full strokes that bring the level from one to the other. */
export function volumeByStrokes(master: MasterStroke, strokes: number): Result<number> {
  const refused = firstNotPositive({ strokes });
  if (refused) return problem(refused);
  const perStroke = strokeVolume(master);
  if (!perStroke.ok) return perStroke;
  const usable_m3 = strokes * perStroke.value;
  return calculated(usable_m3, [
    ...perStroke.working,
    {
      formula: VOLUME,
      inputs: [
        term('n', 'strokesBeforeMinimum', count(strokes)),
        term('V_s', 'strokeVolume', volume(perStroke.value)),
      ],
      result: term('V_res', 'usableReservoir', volume(usable_m3)),
    },
  ]);
}

/** Travel at the lever, metres, from the full strokes that move a known volume. */
export function strokeByStrokes(
  { masterBore_m, leverRatio, efficiency }: Omit<MasterStroke, 'leverStroke_m'>,
  usable_m3: number,
  strokes: number,
): Result<number> {
  const refused = firstNotPositive({ masterBore_m, leverRatio, efficiency, usable_m3, strokes });
  if (refused) return problem(refused);
  if (efficiency > 1) return problem({ code: 'tooLarge', field: 'efficiency' });
  const leverStroke_m = (usable_m3 * leverRatio) / (strokes * (Math.PI / 4) * masterBore_m ** 2 * efficiency);
  return calculated(leverStroke_m, [
    {
      formula: STROKE,
      inputs: [
        term('V_res', 'usableReservoir', volume(usable_m3)),
        term('i', 'leverRatio', ratio(leverRatio)),
        term('n', 'strokesBeforeMinimum', count(strokes)),
        term('d', 'masterBore', length(masterBore_m)),
        term('η', 'strokeEfficiency', ratio(efficiency)),
      ],
      result: term('s', 'leverStroke', length(leverStroke_m)),
    },
  ]);
}
