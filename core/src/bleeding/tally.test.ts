import type { BleedEvent } from './tally.ts';
import { isClear, strokesSinceTopUp } from './tally.ts';

const event = (kind: 'stroke' | 'topUp' | 'clear', second: number): BleedEvent => ({
  kind,
  at: `2026-11-23T10:00:${String(second).padStart(2, '0')}.000Z`,
});

describe('stroke tally', () => {
  test('a top-up starts the count again, whichever nipple it was done at', () => {
    expect(
      strokesSinceTopUp([event('stroke', 1), event('stroke', 2), event('topUp', 3), event('stroke', 4)]),
    ).toBe(1);
    expect(
      strokesSinceTopUp([event('stroke', 2), event('topUp', 3), event('stroke', 4), event('stroke', 5)]),
    ).toBe(2);
    expect(strokesSinceTopUp([])).toBe(0);
  });

  test('a nipple pumped again after it was clear is not clear', () => {
    expect(isClear([event('stroke', 1), event('clear', 2)])).toBe(true);
    expect(isClear([event('stroke', 1), event('clear', 2), event('stroke', 3)])).toBe(false);
    expect(isClear([event('clear', 1), event('topUp', 2)])).toBe(true);
    expect(isClear([])).toBe(false);
  });
});
