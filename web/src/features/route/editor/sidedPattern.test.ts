import { CORNER_PATTERNS, PATTERN_CORNERS } from '@zephyrcombe/core';
import { sidedPattern, sideOf } from './sidedPattern.ts';

test('a name says a side, or does not', () => {
  expect(['Left hose', 'Hose, front RIGHT', 'Sidecar hose', 'Crossover, left to right'].map(sideOf)).toEqual([
    'left',
    'right',
    null,
    null,
  ]);
});

describe.each(CORNER_PATTERNS)('pattern %s', (pattern) => {
  const corner = PATTERN_CORNERS[pattern];
  const farY = (hoseName: string) => sidedPattern(corner, hoseName).hoses[0]?.end.port_m[1] ?? 0;

  test('lies on the side of the hose that it is for', () => {
    const own = corner.hoses[0]?.end.port_m[1] ?? 0;
    expect(farY('Front hose')).toBe(own);
    if (Math.abs(own) < 0.02) return;
    expect(farY('Left hose')).toBeGreaterThan(0);
    expect(farY('Right hose')).toBeLessThan(0);
    expect(Math.abs(farY('Left hose'))).toBeCloseTo(Math.abs(own), 12);
  });
});
