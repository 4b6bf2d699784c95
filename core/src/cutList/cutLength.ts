/** How much hose is cut for a finished length: what lies between the ferrules, and what goes into both fittings. */
import { length } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { LengthConversion } from '../fittings/lengthDatum.ts';
import { convertLength } from '../fittings/lengthDatum.ts';
import { unphysical } from '../calculation/physical.ts';

const CUT: Formula = { expression: 'L_cut = L_free + i_A + i_B', source: 'fittingGeometry' };

/** Our example of how far a hose goes into an end; the maker's sheet replaces it. */
export const USUAL_INSERTION_m = 0.013;

export interface CutLengthInput extends Omit<LengthConversion, 'wanted'> {
  /** Hose inside each fitting, from the face of its ferrule. */
  readonly insertionA_m: number;
  readonly insertionB_m: number;
}

/** Problems: those of the conversion; an insertion below nothing. */
export function cutLength(
  input: CutLengthInput,
): Result<{ readonly free_m: number; readonly cut_m: number }> {
  const { insertionA_m, insertionB_m, ...finished } = input;
  const refused = unphysical(
    { insertionA_m, insertionB_m },
    { notNegative: ['insertionA_m', 'insertionB_m'] },
  );
  if (refused) return problem(refused);
  const converted = convertLength({ ...finished, wanted: { endA: 'ferruleFace', endB: 'ferruleFace' } });
  if (!converted.ok) return converted;
  const free_m = converted.value.freeHose_m;
  const cut_m = free_m + insertionA_m + insertionB_m;
  return calculated({ free_m, cut_m }, [
    ...converted.working,
    {
      formula: CUT,
      inputs: [
        term('L_free', 'freeHoseLength', length(free_m)),
        term('i_A', 'insertion', length(insertionA_m)),
        term('i_B', 'insertion', length(insertionB_m)),
      ],
      result: term('L_cut', 'hoseCut', length(cut_m)),
    },
  ]);
}
