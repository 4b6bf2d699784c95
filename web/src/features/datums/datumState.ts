/** The ends of a hose as they stand in an address: family, bend and the take-offs as typed. */
import type { EndGeometry, UnitId } from '@zephyrcombe/core';
import { END_FAMILIES, EXAMPLE_BENDS_deg, exampleEnd } from '@zephyrcombe/core';
import { editableText, readQuantity } from '../../quantities/QuantityField.tsx';

export const END_FIELDS = ['ferruleToApex', 'apexToPoint', 'neck'] as const;
export type EndField = (typeof END_FIELDS)[number];

export interface TypedEnd {
  readonly family: EndGeometry['family'];
  readonly bend_deg: number;
  /** As typed; empty takes the example's. */
  readonly typed: Readonly<Record<EndField, string>>;
}

/** "banjo~20~22 mm~14 mm~25 mm"; what makes no sense there is a straight eye. */
export function readTypedEnd(text: string): TypedEnd {
  const [family, bend, ferruleToApex = '', apexToPoint = '', neck = ''] = text.split('~');
  return {
    family: END_FAMILIES.find((known) => known === family) ?? 'banjo',
    bend_deg: EXAMPLE_BENDS_deg.find((known) => String(known) === bend) ?? 0,
    typed: { ferruleToApex, apexToPoint, neck },
  };
}

export const writeTypedEnd = ({ family, bend_deg, typed }: TypedEnd): string =>
  [family, bend_deg, ...END_FIELDS.map((field) => typed[field])].join('~').replace(/~+$/, '');

/** An end that is known, as it would be typed. */
export function typedEndOf({ family, neckAngle_rad, ...lengths }: EndGeometry, unit: UnitId): TypedEnd {
  const bend_deg =
    EXAMPLE_BENDS_deg.find((known) => Math.abs((known * Math.PI) / 180 - neckAngle_rad) < 1e-6) ?? 0;
  return {
    family,
    bend_deg,
    typed: {
      ferruleToApex: editableText(lengths.ferruleToApex_m, unit),
      apexToPoint: editableText(lengths.apexToPoint_m, unit),
      neck: editableText(lengths.neckLength_m, unit),
    },
  };
}

export function exampleOf({ family, bend_deg }: TypedEnd): EndGeometry {
  return exampleEnd(family, EXAMPLE_BENDS_deg.find((known) => known === bend_deg) ?? 0);
}

/** With what was typed in the example's place; null where something typed is no length. */
export function geometryOf(end: TypedEnd): EndGeometry | null {
  const example = exampleOf(end);
  const read = (text: string, usual_m: number) =>
    text.trim() === '' ? usual_m : (readQuantity(text, 'length', true).quantity?.value_SI ?? null);
  const ferruleToApex_m = read(end.typed.ferruleToApex, example.ferruleToApex_m);
  const apexToPoint_m = read(end.typed.apexToPoint, example.apexToPoint_m);
  const neckLength_m = read(end.typed.neck, example.neckLength_m);
  return ferruleToApex_m === null || apexToPoint_m === null || neckLength_m === null
    ? null
    : {
        ...example,
        ferruleToApex_m,
        apexToPoint_m,
        neckLength_m,
        // One figure that stayed the example's, and the whole end is no better.
        takeOffsFrom: Object.values(end.typed).every((text) => text.trim() !== '') ? 'makersData' : 'example',
      };
}
