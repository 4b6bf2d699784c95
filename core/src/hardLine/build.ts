/** What a hard line is made of and how its ends are formed: what may go on a brake, and in which order it is made. */
import type { Caution } from '../mistakes/caution.ts';
import type { FlareForm, FlareLooks } from './forms.ts';
import type { Developed, HardLine } from './line.ts';
import { demand, unphysical } from '../calculation/physical.ts';

export const LINE_MATERIALS = ['copperNickel', 'coatedSteel', 'stainless', 'copper'] as const;
export type LineMaterial = (typeof LINE_MATERIALS)[number];

/** Copper-nickel bends by hand and may be corrected; of the rest a bend is made once. */
export const BENDS_ONCE: Readonly<Record<LineMaterial, boolean>> = {
  copperNickel: false,
  coatedSteel: true,
  stainless: true,
  copper: false,
};

/** Tube for the flare beyond the finished end: 6.35 mm (1/4 in), a rule of the trade without a source. A test flare settles it. */
export const USUAL_FLARE_m = 0.00635;
/** Tube of 4.75 mm, 3/16 in. */
export const USUAL_LINE_m = 0.00475;

export interface LineBuild {
  readonly material: LineMaterial;
  readonly formA: FlareForm;
  readonly formB: FlareForm;
}

/** What was seen while it was made; null where nobody has looked yet. */
export interface LineChecks {
  /** The straight tube as it was cut. */
  readonly cutAs_m: number | null;
  /** Nuts on the tube before the second end is closed. */
  readonly nuts: number | null;
  readonly looksA: FlareLooks | null;
  readonly looksB: FlareLooks | null;
  /** Bends that were bent back, from 0. */
  readonly bentBack: readonly number[];
}

export const UNSEEN: LineChecks = { cutAs_m: null, nuts: null, looksA: null, looksB: null, bentBack: [] };

/** A tape reads a cut to this. */
const TAPE_m = 0.0005;

/** M44 to M49. */
export function judgeLine(
  { material, formA, formB }: LineBuild,
  made: Developed,
  { cutAs_m, nuts, looksA, looksB, bentBack }: LineChecks = UNSEEN,
): readonly Caution[] {
  demand(
    unphysical(
      { ...made, cutAs_m, nuts, bentBack },
      { positive: ['cutAs_m', 'cut_m'], notNegative: ['nuts', 'bentBack'] },
    ),
  );
  const flare = (end: 'A' | 'B', form: FlareForm): readonly Caution[] =>
    form === 'singleFlare' || form === 'compression' ? [{ id: 'M46', evidence: { end, form } }] : [];
  const looks = (end: 'A' | 'B', seen: FlareLooks | null): readonly Caution[] =>
    seen === null || seen === 'asPattern' ? [] : [{ id: 'M49', evidence: { end, looks: seen } }];
  return [
    ...(material === 'copper' ? [{ id: 'M47', evidence: {} } as const] : []),
    ...flare('A', formA),
    ...flare('B', formB),
    ...(cutAs_m !== null && cutAs_m < made.cut_m - TAPE_m
      ? [{ id: 'M44', evidence: { cut_m: cutAs_m, needed_m: made.cut_m } } as const]
      : []),
    ...(nuts !== null && nuts < 2 ? [{ id: 'M45', evidence: { nuts } } as const] : []),
    ...(BENDS_ONCE[material] ? bentBack.map((bend): Caution => ({ id: 'M48', evidence: { bend } })) : []),
    ...looks('A', looksA),
    ...looks('B', looksB),
  ];
}

export type LineStep =
  | { readonly kind: 'cut' }
  | { readonly kind: 'deburr' }
  | { readonly kind: 'nut'; readonly end: 'A' | 'B' }
  | { readonly kind: 'flare'; readonly end: 'A' | 'B' }
  | { readonly kind: 'mark' }
  /** From 0, counted from end A. */
  | { readonly kind: 'bend'; readonly bend: number }
  | { readonly kind: 'inspect' }
  | { readonly kind: 'cap' };

/** Straight tube that the bar of a flaring tool and the nut pushed back behind it take. Our estimate: try it with the tool. */
export const FLARING_GRIP_m = 0.05;

/**
 * The order that cannot be got wrong: both nuts are on before the second end is closed, and an end whose straight is too
 * short for the flaring tool is flared before its bend is made. Bends follow one another from end A.
 */
export function lineSteps(line: HardLine, made: Developed, grip_m = FLARING_GRIP_m): readonly LineStep[] {
  demand(unphysical({ straights_m: made.straights_m, grip_m }, { notNegative: ['straights_m', 'grip_m'] }));
  const { bends } = line;
  const isShort = (straight_m: number | undefined) => bends.length > 0 && (straight_m ?? 0) < grip_m;
  const [shortA, shortB] = [isShort(made.straights_m[0]), isShort(made.straights_m.at(-1))];
  const flare = (end: 'A' | 'B'): LineStep => ({ kind: 'flare', end });
  return [
    { kind: 'cut' },
    { kind: 'deburr' },
    { kind: 'nut', end: 'A' },
    { kind: 'nut', end: 'B' },
    ...(shortA ? [flare('A')] : []),
    ...(shortB ? [flare('B')] : []),
    ...(bends.length > 0 ? [{ kind: 'mark' } as const] : []),
    ...bends.map((_bend, bend): LineStep => ({ kind: 'bend', bend })),
    ...(shortA ? [] : [flare('A')]),
    ...(shortB ? [] : [flare('B')]),
    { kind: 'inspect' },
    { kind: 'cap' },
  ];
}
