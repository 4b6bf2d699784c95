import { jobProgress } from '../procedure/progress.ts';
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
    expect(strokesSinceTopUp([event('stroke', 4), event('topUp', 3), event('stroke', 2)])).toBe(1);
    expect(strokesSinceTopUp([])).toBe(0);
  });

  test('a nipple pumped again after it was clear is not clear', () => {
    expect(isClear([event('stroke', 1), event('clear', 2)])).toBe(true);
    expect(isClear([event('stroke', 1), event('clear', 2), event('stroke', 3)])).toBe(false);
    expect(isClear([event('clear', 1), event('topUp', 2)])).toBe(true);
    expect(isClear([])).toBe(false);
  });
});

describe('job progress', () => {
  const NEW = {
    endsConfirmed: false,
    hoses: 2,
    measuredHoses: 0,
    specifiedHoses: 0,
    joints: 3,
    torquedJoints: 0,
    nipples: 2,
    clearNipples: 0,
    finished: false,
  };

  test('a new job starts at Look over', () => {
    expect(jobProgress(NEW)).toEqual({ done: [], next: 'look-over' });
  });

  test('a stage is done when all its hoses, joints or nipples are', () => {
    const half = { ...NEW, endsConfirmed: true, measuredHoses: 2, specifiedHoses: 1 };
    expect(jobProgress(half)).toEqual({ done: ['look-over', 'measure'], next: 'specify' });
    expect(jobProgress({ ...NEW, hoses: 0, joints: 0, nipples: 0 }).done).toEqual([]);
  });

  test('a finished job stays on its last stage', () => {
    const all = {
      ...NEW,
      endsConfirmed: true,
      measuredHoses: 2,
      specifiedHoses: 2,
      torquedJoints: 3,
      clearNipples: 2,
      finished: true,
    };
    expect(jobProgress(all)).toMatchObject({ next: 'hand-over', done: { length: 6 } });
  });
});
