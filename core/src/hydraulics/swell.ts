/** How far a hose may swell under pressure and still pass its standard: a limit, not what a good hose does. */
import { firstNotPositive } from '../calculation/problem.ts';
import { fineLength, length, pressure, volume } from '../calculation/quantity.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const SWELL: Formula = { expression: 'ΔV ≤ v′(p)·L', source: 'fmvss106' };

export const SWELL_CLASSES = ['regular', 'low'] as const;
/** The standard's two classes: regular expansion and low expansion, to which braided hose belongs. */
export type SwellClass = (typeof SWELL_CLASSES)[number];

/** FMVSS 106 S5.3.2 maximum expansion, cubic centimetres a foot, at 1000, 1500 and 2900 psi (from memory). */
interface SwellRow {
  readonly boreTo_mm: number;
  readonly cc_per_ft: Readonly<Record<SwellClass, readonly [number, number, number | null]>>;
}

/** 1/8 in is 3.175 mm and sold as 3.2 mm; 3/16 in is 4.76 mm and sold as 4.8 mm. */
export const SWELL_ROWS: readonly SwellRow[] = [
  { boreTo_mm: 3.25, cc_per_ft: { regular: [0.66, 0.79, 1.21], low: [0.33, 0.42, 0.61] } },
  { boreTo_mm: 5, cc_per_ft: { regular: [0.86, 1.02, 1.67], low: [0.55, 0.72, 0.91] } },
  { boreTo_mm: Infinity, cc_per_ft: { regular: [1.04, 1.3, null], low: [0.82, 1.17, null] } },
];
const PRESSURES_psi = [1000, 1500, 2900] as const;

const PSI_Pa = (0.45359237 * 9.80665) / 0.0254 ** 2;
const CC_PER_FT_m3_per_m = 1e-6 / 0.3048;

/**
 * Greatest permitted swell of a length of hose, cubic metres. Between the standard's pressures the limit is drawn
 * straight, from nothing at no pressure. Problem: a pressure beyond the table, a length or bore that is not positive.
 */
export function hoseSwellLimit(
  length_m: number,
  bore_m: number,
  pressure_Pa: number,
  swellClass: SwellClass,
): Result<number> {
  const refused = firstNotPositive({ length_m, bore_m, pressure_Pa });
  if (refused) return problem(refused);
  const row = SWELL_ROWS.find((candidate) => bore_m * 1000 <= candidate.boreTo_mm);
  const limits = (row?.cc_per_ft[swellClass] ?? []).flatMap((cc_per_ft, index) =>
    cc_per_ft === null ? [] : [{ at_Pa: (PRESSURES_psi[index] ?? 0) * PSI_Pa, cc_per_ft }],
  );
  const points = [{ at_Pa: 0, cc_per_ft: 0 }, ...limits];
  const upper = points.findIndex((point) => point.at_Pa >= pressure_Pa);
  const high = points[upper];
  const low = points[upper - 1];
  if (!high || !low) return problem({ code: 'beyondTable', field: 'pressure_Pa' });
  const share = (pressure_Pa - low.at_Pa) / (high.at_Pa - low.at_Pa);
  const perLength_m3_per_m = (low.cc_per_ft + share * (high.cc_per_ft - low.cc_per_ft)) * CC_PER_FT_m3_per_m;
  const swell_m3 = perLength_m3_per_m * length_m;
  return calculated(swell_m3, [
    {
      formula: SWELL,
      inputs: [
        term('L', 'hoseLength', length(length_m)),
        term('d', 'lineBore', fineLength(bore_m)),
        term('p', 'linePressure', pressure(pressure_Pa)),
      ],
      result: term('ΔV', 'hoseSwell', volume(swell_m3)),
    },
  ]);
}
