import fc from 'fast-check';
import { EXAMPLE_BENDS_deg, END_FAMILIES, THREADS } from '@zephyrcombe/core';
import { endOf, nearestAngle_deg, readEnd, writeEnd } from './donorState.ts';

test('an end goes through the address as it was', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...END_FAMILIES),
      fc.constantFrom(...EXAMPLE_BENDS_deg),
      fc.constantFrom('', ...THREADS.map(({ designation }) => designation)),
      (family, angle_deg, thread) => {
        const end = { family, angle_deg, thread };
        expect(readEnd(writeEnd(end))).toEqual(end);
        expect(endOf(end).thread).toBe(thread === '' ? null : thread);
        expect(nearestAngle_deg(endOf(end).neckAngle_rad)).toBe(angle_deg);
      },
    ),
  );
});

test('what makes no sense there is a straight eye of unknown thread', () => {
  for (const text of [null, '', 'hook~17~M99', 'banjo'])
    expect(readEnd(text)).toEqual({ family: 'banjo', angle_deg: 0, thread: '' });
});
