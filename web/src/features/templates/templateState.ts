/** What an end looks like beyond its take-offs, as typed in an address. */
import type { EndBuild, EndGeometry, UnitId } from '@zephyrcombe/core';
import { EXAMPLE_BUILD } from '@zephyrcombe/core';
import { typedEndOf, writeTypedEnd } from '../datums/datumState.ts';
import { editableText, readQuantity } from '../../quantities/QuantityField.tsx';

export const BUILD_FIELDS = [
  'bore_m',
  'eyeOutside_m',
  'eyeThickness_m',
  'neck_m',
  'ferrule_m',
  'ferruleLength_m',
] as const satisfies readonly (keyof EndBuild)[];
export type BuildField = (typeof BUILD_FIELDS)[number];
export type TypedBuild = Readonly<Record<BuildField, string>>;

const SEPARATOR = '~';

export function readTypedBuild(text: string): TypedBuild {
  const parts = text.split(SEPARATOR);
  return Object.fromEntries(BUILD_FIELDS.map((field, index) => [field, parts[index] ?? ''])) as TypedBuild;
}

export const writeTypedBuild = (build: TypedBuild): string =>
  BUILD_FIELDS.map((field) => build[field])
    .join(SEPARATOR)
    .replace(/~+$/, '');

/** Our example where nothing was typed; null where something typed is no length. */
export function buildOf(typed: TypedBuild): EndBuild | null {
  const read = BUILD_FIELDS.map((field) =>
    typed[field].trim() === ''
      ? EXAMPLE_BUILD[field]
      : (readQuantity(typed[field], 'length').quantity?.value_SI ?? null),
  );
  return read.includes(null)
    ? null
    : (Object.fromEntries(BUILD_FIELDS.map((field, index) => [field, read[index]])) as unknown as EndBuild);
}

/** Where both ends of a hose are drawn at true size; of their build what is known. */
export function templateAddress(
  title: string,
  endA: EndGeometry,
  endB: EndGeometry,
  unit: UnitId,
  known: Partial<Record<BuildField, number | null>> = {},
): string {
  const typed = Object.fromEntries(
    BUILD_FIELDS.map((field) => {
      const value_m = known[field] ?? null;
      return [field, value_m === null ? '' : editableText(value_m, unit)];
    }),
  ) as TypedBuild;
  const query = new URLSearchParams({
    title,
    a: writeTypedEnd(typedEndOf(endA, unit)),
    b: writeTypedEnd(typedEndOf(endB, unit)),
    as: writeTypedBuild(typed),
  });
  return `/bench/templates?${query.toString()}`;
}
