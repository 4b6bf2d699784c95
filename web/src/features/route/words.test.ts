import { createWriter } from '@zephyrcombe/messages';
import { IMPERIAL, METRIC, PATTERN_CORNERS } from '@zephyrcombe/core';
import { apartText, disagreement_m, poseText, rangeText, windowText } from './words.ts';

const write = createWriter(METRIC);

test('poses are said as a technician says them', () => {
  const { rig } = PATTERN_CORNERS.fork;
  expect(poseText(rig, { across: 0, down: 0 }, write)).toBe('straight ahead, full droop');
  expect(poseText(rig, { across: (32 * Math.PI) / 180, down: 0.12 }, write)).toBe('left lock, full bump');
  expect(poseText(rig, { across: (-10 * Math.PI) / 180, down: 0.04 }, write)).toBe('10° right, 40\u2009mm');
  expect(poseText(PATTERN_CORNERS.swingArm.rig, { across: 0, down: 0.1 }, write)).toBe('6°');
  expect(poseText(PATTERN_CORNERS.liveAxle.rig, { across: -0.05, down: 0 }, write)).toMatch(
    /right up, full droop$/,
  );
});

test('a window is rounded inwards, so that both lengths named really hold', () => {
  const window = { short_m: 0.6612, long_m: 0.7568, shortBecause: 'taut', longBecause: 'bend' } as const;
  expect(windowText(window, write)).toBe('662–756\u2009mm');
  expect(windowText(window, createWriter(IMPERIAL))).toMatch(/in$/);
  expect(windowText(null, write)).toBe('no window');
  expect(windowText(undefined, write)).toBe('…');
});

test('other lengths that hold are told with and without a window of its own', () => {
  const window = { short_m: 0.6612, long_m: 0.7568, shortBecause: 'taut', longBecause: 'bend' } as const;
  const pieces = [
    [0.7, 0.74],
    [0.81, 0.81],
  ] as const;
  expect(apartText(pieces, window, write)).toBe(
    'It holds again at about 700–740\u2009mm and 810\u2009mm, but not at every length on the way there: another shape of the hose.',
  );
  expect(apartText(pieces, null, write)).toBe(
    'Of the lengths tried it holds at about 700–740\u2009mm and 810\u2009mm.',
  );
});

test('tape and route disagree only beyond ten millimetres', () => {
  const window = { short_m: 0.66, long_m: 0.75, shortBecause: null, longBecause: null };
  expect(disagreement_m(window, 0.7)).toBe(0);
  expect(disagreement_m(window, 0.652)).toBe(0);
  expect(disagreement_m(window, 0.648)).toBeCloseTo(-0.012, 9);
  expect(disagreement_m(window, 0.77)).toBeCloseTo(0.02, 9);
});

test('where the search ended and not the hose, it says or more', () => {
  const range = { short_m: 0.28, long_m: 0.371 };
  const text = (shortIsOpen: boolean, longIsOpen: boolean) =>
    rangeText(range, { shortIsOpen, longIsOpen }, createWriter(METRIC));
  expect(text(false, true)).toMatch(/371\u2009mm or more$/);
  expect(text(true, false)).toMatch(/or less$/);
  expect(text(false, false)).not.toMatch(/or/);
});
