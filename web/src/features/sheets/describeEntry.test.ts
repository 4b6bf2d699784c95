import { createWriter, POSE_NAMES } from '@zephyrcombe/contract';
import { METRIC } from '@zephyrcombe/core';
import { outfitJob, uuid } from '../../testing/outfit.ts';
import { describeEntry } from './describeEntry.ts';

const describeDetail = (detail: Record<string, unknown>) =>
  describeEntry(
    {
      id: uuid('log'),
      sequence: 1,
      at: '2026-11-23T10:00:00.000Z',
      by: 'Brannoc Hale',
      kind: 'bled',
      detail,
      correctsId: null,
    },
    outfitJob(),
    createWriter(METRIC),
    POSE_NAMES,
  );

test('a line of the log names the part and the figure', () => {
  expect(
    describeDetail({ hoseId: uuid('h-left'), pose: 'fullDroop', length_m: 0.728, typed: '728 mm' }),
  ).toBe(': left hose, full droop, 728\u2009mm, typed “728 mm”');
  expect(describeDetail({ jointId: uuid('j-master'), torque_Nm: 19.6 })).toBe(': master, 19.6\u2009N·m');
  expect(describeDetail({ nippleId: uuid('n-side'), kind: 'outflow', outflow: 'honey' })).toBe(
    ': side, outflow honey',
  );
});

test('a stop that was passed is told with its reason', () => {
  expect(describeDetail({ overrides: [{ caution: 'M01', reason: 'Stand too low' }] })).toBe(
    ': went on past M01: Stand too low',
  );
});

test('an entry without figures is left as it is', () => {
  expect(describeDetail({})).toBe('');
});

test('a hose made up, proved, checked in, its caps counted: each in words', () => {
  expect(describeDetail({ hoseId: uuid('h-left'), step: 'nutA', undo: false })).toBe(
    ': left hose, nut of end A on, its thread towards the end',
  );
  expect(describeDetail({ step: 'cut', undo: true })).toBe(': bind and cut, taken back');
  expect(describeDetail({ passed: false, typed: '150 bar' })).toBe(': not passed, typed “150 bar”');
  expect(describeDetail({ verdict: 'return', decided: { verdict: 'return', because: 'short' } })).toBe(
    ': found: return, decided: return',
  );
  expect(describeDetail({ put: 2, out: 1 })).toBe(': 2 on, 1 off');
  expect(describeDetail({ order: 'SIM-O1' })).toBe(': SIM-O1');
});
