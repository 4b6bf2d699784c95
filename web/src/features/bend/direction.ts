/** A direction as it is measured with a tape: how far it goes forward, to the left and up. */
import type { Vector } from '@zephyrcombe/core';
import { parseQuantity } from '@zephyrcombe/core';

export const AXES = ['forward', 'to the left', 'up'] as const;

/** Empty is nothing; null where all are empty or one is no length. Backward, right and down are negative. */
export function readDirection(texts: readonly string[]): Vector | null {
  if (texts.every((text) => text.trim() === '')) return null;
  const values = texts.map((text) => {
    if (text.trim() === '') return 0;
    const parsed = parseQuantity(text, 'length');
    return parsed.ok ? parsed.value_SI : NaN;
  });
  const [x = NaN, y = NaN, z = NaN] = values;
  return values.some(Number.isNaN) ? null : [x, y, z];
}
