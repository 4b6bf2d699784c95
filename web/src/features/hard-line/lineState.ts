/** A hard line as it stands in the address: texts as typed, lists with a semicolon between. */
import type { JobLine, LineFigure, Paper } from '@zephyrcombe/contract';
import { LINE_FIGURES } from '@zephyrcombe/contract';
import type {
  FlareForm,
  FlareLooks,
  LegDatum,
  LineChecks,
  LineMaterial,
  UnitPreferences,
} from '@zephyrcombe/core';
import {
  FLARE_FORMS,
  FLARE_LOOKS,
  FLARING_GRIP_m,
  LEG_DATUMS,
  LINE_MATERIALS,
  USUAL_FLARE_m,
  USUAL_LINE_m,
} from '@zephyrcombe/core';
import { editableText, readQuantity } from '../../quantities/QuantityField.tsx';

export interface TypedBend {
  readonly angle: string;
  /** Of its plane against the one before; empty: the same way. */
  readonly roll: string;
}

export interface TypedLine {
  readonly name: string;
  readonly legs: readonly string[];
  readonly bends: readonly TypedBend[];
  readonly legDatum: LegDatum;
  readonly radius: string;
  readonly outside: string;
  readonly material: LineMaterial;
  readonly formA: FlareForm;
  readonly formB: FlareForm;
  readonly flareA: string;
  readonly flareB: string;
  readonly gap: string;
  readonly springBack: string;
  readonly cutAs: string;
  readonly nuts: string;
  readonly looksA: FlareLooks | null;
  readonly looksB: FlareLooks | null;
  readonly bentBack: readonly number[];
  /** Nobody has said these: our usual figures stand for them. */
  readonly assumed: readonly LineFigure[];
}

/** Where each of them is typed. */
const TYPED_AT: Readonly<Record<LineFigure, string>> = {
  outside_m: 'od',
  material: 'of',
  formA: 'fa',
  formB: 'fb',
  radius_m: 'r',
  flareA_m: 'la',
  flareB_m: 'lb',
};
export const USUAL_MATERIAL: LineMaterial = 'copperNickel';
/** What a line is taken for until somebody says: the flares that the seats of its ports are made for, where they are known. */
export const USUAL_FORMS = { formA: 'doubleFlare', formB: 'doubleFlare' } as const;
type UsualForms = Readonly<Record<keyof typeof USUAL_FORMS, FlareForm>>;
type Pattern = NonNullable<JobLine['pattern']>;

export const MOST_BENDS = 20;
const SEPARATOR = ';';
const known = <Value extends string>(all: readonly Value[], text: string, usual: Value): Value =>
  all.find((value) => value === text) ?? usual;
const seen = (text: string): FlareLooks | null => FLARE_LOOKS.find((value) => value === text) ?? null;

export function readLine(text: (name: string) => string, usual: UsualForms = USUAL_FORMS): TypedLine {
  const legs =
    text('legs') === ''
      ? ['', '']
      : text('legs')
          .split(SEPARATOR)
          .slice(0, MOST_BENDS + 1);
  const [angles, rolls] = [text('bends').split(SEPARATOR), text('rolls').split(SEPARATOR)];
  return {
    name: text('name'),
    legs,
    bends: legs.slice(1).map((_leg, index) => ({ angle: angles[index] ?? '', roll: rolls[index] ?? '' })),
    legDatum: known(LEG_DATUMS, text('to'), 'apex'),
    radius: text('r'),
    outside: text('od'),
    material: known(LINE_MATERIALS, text('of'), USUAL_MATERIAL),
    formA: known(FLARE_FORMS, text('fa'), usual.formA),
    formB: known(FLARE_FORMS, text('fb'), usual.formB),
    flareA: text('la'),
    flareB: text('lb'),
    gap: text('gap'),
    springBack: text('back'),
    cutAs: text('cut'),
    nuts: text('nuts'),
    looksA: seen(text('sa')),
    looksB: seen(text('sb')),
    bentBack: text('unbent')
      .split(SEPARATOR)
      .flatMap((one) => (/^\d+$/.test(one) ? [Number(one)] : [])),
    assumed: LINE_FIGURES.filter((figure) => text(TYPED_AT[figure]).trim() === ''),
  };
}

/** What changes in the address for new legs and bends. */
export const writeLegs = (
  legs: readonly string[],
  bends: readonly TypedBend[],
): Readonly<Record<string, string>> => ({
  legs: legs.join(SEPARATOR),
  bends: bends.map(({ angle }) => angle).join(SEPARATOR),
  rolls: bends.map(({ roll }) => roll).join(SEPARATOR),
});

export const writeBentBack = (bends: readonly number[]): string => bends.join(SEPARATOR);

/** One more bend: the last leg is parted in two to be typed. */
export const withBend = ({ legs, bends }: TypedLine): Readonly<Record<string, string>> =>
  writeLegs([...legs, ''], [...bends, { angle: '', roll: '' }]);

/** Without a bend its two legs are no longer known apart: the one after it goes. */
export const withoutBend = ({ legs, bends }: TypedLine, bend: number): Readonly<Record<string, string>> =>
  writeLegs(
    legs.filter((_leg, index) => index !== bend + 1),
    bends.filter((_bend, index) => index !== bend),
  );

const length = (text: string, usual_m: number | null, allowZero = false): number | null =>
  text.trim() === '' ? usual_m : (readQuantity(text, 'length', allowZero).quantity?.value_SI ?? null);
const angle = (text: string, usual_rad: number | null): number | null =>
  text.trim() === '' ? usual_rad : (readQuantity(text, 'angle', true, true).quantity?.value_SI ?? null);

/** The radius of a small hand bender, to start from; our example. */
export const USUAL_RADIUS_m = 0.015;

/** What the server is asked for, and the core; null while a figure is missing or not understood. */
export function requestOf(typed: TypedLine, paper: Paper): Pattern | null {
  const legs_m = typed.legs.map((text) => length(text, null));
  const bends = typed.bends.map(({ angle: own, roll }) => ({
    angle: angle(own, null),
    roll: angle(roll, 0),
  }));
  const radius_m = length(typed.radius, USUAL_RADIUS_m);
  const outside_m = length(typed.outside, USUAL_LINE_m);
  const [flareA_m, flareB_m] = [typed.flareA, typed.flareB].map((text) => length(text, USUAL_FLARE_m, true));
  const unionGap_m = length(typed.gap, 0, true);
  const springBack =
    typed.springBack.trim() === ''
      ? 0
      : (readQuantity(typed.springBack, 'fraction', true).quantity?.value_SI ?? null);
  if (radius_m === null || outside_m === null || unionGap_m === null || springBack === null) return null;
  if (flareA_m === undefined || flareA_m === null || flareB_m === undefined || flareB_m === null) return null;
  const known_m = legs_m.flatMap((leg_m) => leg_m ?? []);
  const turns = bends.flatMap(({ angle: angle_rad, roll: roll_rad }) =>
    angle_rad === null || roll_rad === null ? [] : [{ angle_rad, roll_rad }],
  );
  if (known_m.length !== legs_m.length || turns.length !== bends.length) return null;
  return {
    name: typed.name.trim() === '' ? 'Hard line' : typed.name.trim(),
    line: {
      legs_m: known_m,
      legDatum: typed.legDatum,
      bends: turns,
      radius_m,
      endA: { flare_m: flareA_m },
      endB: { flare_m: flareB_m },
      unionGap_m,
    },
    build: { material: typed.material, formA: typed.formA, formB: typed.formB },
    outside_m,
    springBack,
    grip_m: FLARING_GRIP_m,
    paper,
    assumed: [...typed.assumed],
  };
}

export const checksOf = ({ cutAs, nuts, looksA, looksB, bentBack }: TypedLine): LineChecks => ({
  cutAs_m: length(cutAs, null),
  nuts: /^[012]$/.test(nuts) ? Number(nuts) : null,
  looksA,
  looksB,
  bentBack,
});

/** Nothing is said of a bend that goes on the same way. */
const rollTyped = (roll_rad: number, unit: UnitPreferences['angle']): string =>
  Math.abs(roll_rad) < 1e-6 ? '' : editableText(roll_rad, unit);

/** The texts of a pattern that was kept, and of what was seen: what `requestOf` and `checksOf` read from them is the same. */
export function textsOf(
  pattern: Pattern | null,
  checks: LineChecks,
  { length: lengthUnit, angle: angleUnit }: UnitPreferences,
): Readonly<Record<string, string>> {
  const seenTexts = {
    cut: checks.cutAs_m === null ? '' : editableText(checks.cutAs_m, lengthUnit),
    nuts: checks.nuts === null ? '' : String(checks.nuts),
    sa: checks.looksA ?? '',
    sb: checks.looksB ?? '',
    unbent: writeBentBack(checks.bentBack),
  };
  if (pattern === null) return seenTexts;
  const { line, build } = pattern;
  const said = (figure: LineFigure, text: string) => (pattern.assumed.includes(figure) ? '' : text);
  return {
    ...seenTexts,
    name: pattern.name,
    ...writeLegs(
      line.legs_m.map((leg_m) => editableText(leg_m, lengthUnit)),
      line.bends.map(({ angle_rad, roll_rad }) => ({
        angle: editableText(angle_rad, angleUnit),
        roll: rollTyped(roll_rad, angleUnit),
      })),
    ),
    to: line.legDatum,
    r: said('radius_m', editableText(line.radius_m, lengthUnit)),
    od: said('outside_m', editableText(pattern.outside_m, lengthUnit)),
    of: said('material', build.material),
    fa: said('formA', build.formA),
    fb: said('formB', build.formB),
    la: said('flareA_m', editableText(line.endA.flare_m, lengthUnit)),
    lb: said('flareB_m', editableText(line.endB.flare_m, lengthUnit)),
    gap: editableText(line.unionGap_m, lengthUnit),
    back: editableText(pattern.springBack, 'percent'),
  };
}

/** The address of a line with these legs and bends, as a trace or a pattern gives them. */
export function lineAddress(
  legs_m: readonly number[],
  bends: readonly { readonly angle_rad: number; readonly roll_rad: number }[],
  { length: lengthUnit, angle: angleUnit }: UnitPreferences,
): string {
  const query = new URLSearchParams(
    writeLegs(
      legs_m.map((leg_m) => editableText(leg_m, lengthUnit)),
      bends.map(({ angle_rad, roll_rad }) => ({
        angle: editableText(angle_rad, angleUnit),
        roll: rollTyped(roll_rad, angleUnit),
      })),
    ),
  );
  return `/bench/hard-line?${query.toString()}`;
}
