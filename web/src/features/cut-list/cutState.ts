/** A cutting job as it stands in the address: lengths as typed, a semicolon between. */
import type { CutPiece, CutRules, CutStock, EndGeometry, UnitId } from '@zephyrcombe/core';
import { cutLength, sealingDatum, USUAL_INSERTION_m } from '@zephyrcombe/core';
import { editableText, readQuantity } from '../../quantities/QuantityField.tsx';

export interface TypedCutting {
  readonly pieces: readonly string[];
  /** What the pieces are for, in their order; empty where nobody said. */
  readonly names: readonly string[];
  readonly stocks: readonly string[];
  readonly kerf: string;
  readonly keep: string;
}

/** As many as one job has; the search is bounded for so many. */
export const MOST_LENGTHS = 60;
const SEPARATOR = ';';
/** Our estimates, to start from. */
const USUAL: CutRules = { kerf_m: 0.003, worthKeeping_m: 0.25 };

export const writeLengths = (lengths: readonly string[]): string => lengths.join(SEPARATOR);

export const typedCutting = (text: (name: string) => string): TypedCutting => ({
  pieces: text('pieces').split(SEPARATOR).slice(0, MOST_LENGTHS),
  names: text('names').split(SEPARATOR).slice(0, MOST_LENGTHS),
  stocks: text('stocks').split(SEPARATOR).slice(0, MOST_LENGTHS),
  kerf: text('kerf'),
  keep: text('keep'),
});

export const pieceName = ({ names }: TypedCutting, index: number): string => {
  const own = names[index]?.trim() ?? '';
  return own === '' ? `Piece ${index + 1}` : `Piece ${index + 1}: ${own}`;
};

/** Null while a length is missing or not understood. Empty lines are no pieces. */
export function readCutting(typed: TypedCutting): {
  readonly pieces: readonly CutPiece[];
  readonly stocks: readonly CutStock[];
  readonly rules: CutRules;
} | null {
  const { pieces, stocks, kerf, keep } = typed;
  const lengths = (name: (index: number) => string, texts: readonly string[]) => {
    const read = texts.flatMap((text, index) => {
      if (text.trim() === '') return [];
      const quantity = readQuantity(text, 'length').quantity;
      return [quantity && { id: name(index), length_m: quantity.value_SI }];
    });
    const known = read.flatMap((own) => own ?? []);
    return known.length === read.length && known.length > 0 ? known : null;
  };
  const rule = (text: string, usual_m: number, allowZero: boolean) =>
    text.trim() === '' ? usual_m : (readQuantity(text, 'length', allowZero).quantity?.value_SI ?? null);
  const [own, stock] = [
    lengths((index) => pieceName(typed, index), pieces),
    lengths((index) => `Stock ${index + 1}`, stocks),
  ];
  const [kerf_m, worthKeeping_m] = [rule(kerf, USUAL.kerf_m, true), rule(keep, USUAL.worthKeeping_m, false)];
  if (!own || !stock || kerf_m === null || worthKeeping_m === null) return null;
  return { pieces: own, stocks: stock, rules: { kerf_m, worthKeeping_m } };
}

export interface HoseToMake {
  readonly name: string;
  /** Between the sealing points, as it is ordered. */
  readonly length_m: number;
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
}

/** The cut list of hoses that are made up here; null when one of them is shorter than its fittings, or there is none. */
export function cutListAddress(hoses: readonly HoseToMake[], unit: UnitId): string | null {
  const cuts = hoses.map(({ length_m, endA, endB }) =>
    cutLength({
      length_m,
      given: sealingDatum(endA, endB),
      endA,
      endB,
      insertionA_m: USUAL_INSERTION_m,
      insertionB_m: USUAL_INSERTION_m,
    }),
  );
  const lengths = cuts.flatMap((cut) => (cut.ok ? [editableText(cut.value.cut_m, unit)] : []));
  if (lengths.length === 0 || lengths.length < hoses.length) return null;
  const query = new URLSearchParams({
    pieces: writeLengths(lengths),
    names: writeLengths(hoses.map(({ name }) => name.replaceAll(SEPARATOR, ','))),
  });
  return `/bench/cut-list?${query.toString()}`;
}
