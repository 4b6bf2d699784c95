/**
 * Numbers as people write them at a bench: decimal point or comma, grouped thousands, vulgar fractions.
 * A comma before exactly three digits could be either, so it is refused instead of guessed.
 */
export type WrittenNumber =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly reason: 'notANumber' | 'ambiguousComma' | 'zeroDenominator' };

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** Thousands as the Swiss set them apart. */
export const GROUPED_BY_APOSTROPHES = /^\d{1,3}(['’]\d{3})+([.,]\d+)?$/;

const NOT_A_NUMBER: WrittenNumber = { ok: false, reason: 'notANumber' };

/** Reads "8 1/2", "8½", "8-1/2", "1,5", "1.234,5", "1 234", "1'234", "−3". Surrounding space is ignored. */
export function readNumber(text: string): WrittenNumber {
  let rest = text.trim().replace(/[\u00a0\u2009\u202f]/g, ' ');
  let sign = 1;
  if (/^[-−–+]/.test(rest)) {
    sign = rest.startsWith('+') ? 1 : -1;
    rest = rest.slice(1).trim();
  }
  rest = rest.replace(/[½¼¾⅛⅜⅝⅞⅓⅔]/g, (glyph) => ` ${VULGAR[glyph] ?? ''}`).trim();

  const fraction = /^(?:(\d+)[\s-]+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(rest);
  if (fraction) {
    const [, whole = '0', numerator = '0', denominator = '1'] = fraction;
    if (Number(denominator) === 0) return { ok: false, reason: 'zeroDenominator' };
    return { ok: true, value: sign * (Number(whole) + Number(numerator) / Number(denominator)) };
  }
  const plain = readDecimal(rest);
  return plain.ok ? { ok: true, value: sign * plain.value } : plain;
}

function readDecimal(text: string): WrittenNumber {
  if (GROUPED_BY_APOSTROPHES.test(text)) return readDecimal(text.replace(/['’]/g, ''));
  if (!/^(\d[\d.,\s]*|[.,]\d+)$/.test(text)) return NOT_A_NUMBER;
  if (/^\d{1,3}( \d{3})+([.,]\d+)?$/.test(text)) return readDecimal(text.replaceAll(' ', ''));
  if (/\s/.test(text)) return NOT_A_NUMBER;
  const points = text.split('.').length - 1;
  const commas = text.split(',').length - 1;
  if (points > 0 && commas > 0) {
    const decimal = text.lastIndexOf(',') > text.lastIndexOf('.') ? ',' : '.';
    const grouping = decimal === ',' ? '.' : ',';
    const grouped = new RegExp(`^\\d{1,3}(\\${grouping}\\d{3})+\\${decimal}\\d+$`);
    if (!grouped.test(text)) return NOT_A_NUMBER;
    return { ok: true, value: Number(text.replaceAll(grouping, '').replace(decimal, '.')) };
  }
  if (commas > 1) {
    return /^\d{1,3}(,\d{3})+$/.test(text)
      ? { ok: true, value: Number(text.replaceAll(',', '')) }
      : NOT_A_NUMBER;
  }
  if (points > 1) {
    return /^\d{1,3}(\.\d{3})+$/.test(text)
      ? { ok: true, value: Number(text.replaceAll('.', '')) }
      : NOT_A_NUMBER;
  }
  // "0,125" cannot be a grouped thousand; "1,234" can.
  if (/^[1-9]\d{0,2},\d{3}$/.test(text)) return { ok: false, reason: 'ambiguousComma' };
  const value = Number(text.replace(',', '.'));
  return Number.isFinite(value) ? { ok: true, value } : NOT_A_NUMBER;
}
