/** A cutting job as it stands in the address: lengths as typed, a semicolon between. */
import type { CutPiece, CutRules, CutStock } from '@zephyrcombe/core';
import { readQuantity } from '../../quantities/QuantityField.tsx';

export interface TypedCutting {
  readonly pieces: readonly string[];
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
  stocks: text('stocks').split(SEPARATOR).slice(0, MOST_LENGTHS),
  kerf: text('kerf'),
  keep: text('keep'),
});

/** Null while a length is missing or not understood. Empty lines are no pieces. */
export function readCutting({ pieces, stocks, kerf, keep }: TypedCutting): {
  readonly pieces: readonly CutPiece[];
  readonly stocks: readonly CutStock[];
  readonly rules: CutRules;
} | null {
  const lengths = (name: string, texts: readonly string[]) => {
    const read = texts.flatMap((text, index) => {
      if (text.trim() === '') return [];
      const quantity = readQuantity(text, 'length').quantity;
      return [quantity && { id: `${name} ${index + 1}`, length_m: quantity.value_SI }];
    });
    const known = read.flatMap((own) => own ?? []);
    return known.length === read.length && known.length > 0 ? known : null;
  };
  const rule = (text: string, usual_m: number, allowZero: boolean) =>
    text.trim() === '' ? usual_m : (readQuantity(text, 'length', allowZero).quantity?.value_SI ?? null);
  const [own, stock] = [lengths('Piece', pieces), lengths('Stock', stocks)];
  const [kerf_m, worthKeeping_m] = [rule(kerf, USUAL.kerf_m, true), rule(keep, USUAL.worthKeeping_m, false)];
  if (!own || !stock || kerf_m === null || worthKeeping_m === null) return null;
  return { pieces: own, stocks: stock, rules: { kerf_m, worthKeeping_m } };
}
