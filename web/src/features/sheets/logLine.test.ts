import type { JobDetail, LogEntry } from '@zephyrcombe/contract';
import { LOG_KINDS } from '@zephyrcombe/contract';
import { createWriter, describeEntry } from '@zephyrcombe/messages';
import { METRIC } from '@zephyrcombe/core';
import { outfitJob, uuid } from '../../testing/outfit.ts';

const describeDetail = (
  detail: Record<string, unknown>,
  kind: LogEntry['kind'] = 'bled',
  job = outfitJob(),
) =>
  describeEntry(
    {
      id: uuid('log'),
      sequence: 1,
      at: '2026-11-23T10:00:00.000Z',
      receivedAt: null,
      by: 'Brannoc Hale',
      byId: null,
      kind,
      detail,
      correctsId: null,
      sentId: null,
    },
    job,
    createWriter(METRIC),
  );

test('a line of the log names the part and the figure', () => {
  expect(
    describeDetail(
      { hoseId: uuid('h-left'), pose: 'fullDroop', length_m: 0.728, typed: '728 mm' },
      'readingTaken',
    ),
  ).toBe(': left hose, full droop, 728\u2009mm, typed “728 mm”');
  expect(describeDetail({ jointId: uuid('j-master'), torque_Nm: 19.6 }, 'torqued')).toBe(
    ': master, 19.6\u2009N·m',
  );
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
  expect(describeDetail({ hoseId: uuid('h-left'), step: 'nutA', undo: false }, 'made')).toBe(
    ': left hose, nut of end A on, its thread towards the end',
  );
  expect(describeDetail({ step: 'cut', undo: true }, 'made')).toBe(': bind and cut, taken back');
  expect(describeDetail({ passed: false, typed: '150 bar' }, 'proved')).toBe(': not passed, typed “150 bar”');
  const box = { verdict: 'return', decided: { verdict: 'return', because: 'short' } };
  expect(describeDetail(box, 'kitChecked')).toMatch(/^: what was found asks to .*, decided to /);
  expect(describeDetail({ A: { put: 1, out: 1 }, B: null }, 'plugsCounted')).toBe(': end A 1 on, 1 off');
  expect(describeDetail({ put: 2, out: 1 }, 'plugsCounted')).toBe(': 2 on, 1 off');
  expect(describeDetail({ order: 'SIM-O1' }, 'ordered')).toBe(': SIM-O1');
});

test('each tick, torque and correction says what it was', () => {
  expect(describeDetail({ hoseId: uuid('h-left'), leftLock: true, fullBump: false }, 'poseChecked')).toBe(
    ': left hose, “Left lock: no pull, no pinch”, “Full bump: the spare loop stays clear of tyre, spokes and exhaust” taken back',
  );
  expect(describeDetail({ settle: true }, 'fitChecked')).toContain('it lies without twist');
  expect(
    describeDetail(
      {
        jointId: uuid('j-master'),
        torque_Nm: 19.6,
        verdict: 'within',
        range: { minimum_Nm: 18, maximum_Nm: 21 },
        wrenchName: 'Bench 25',
        freshWashers: 4,
        witnessMark: true,
      },
      'torqued',
    ),
  ).toBe(
    ': master, 19.6\u2009N·m, within its range (18–21\u2009N·m), with Bench 25, 4 fresh washers, marked',
  );
  expect(describeDetail({ jointId: uuid('j-master'), handTight: false }, 'handTight')).toBe(
    ': master, taken back',
  );
  const reading = {
    id: uuid('reading'),
    hoseId: uuid('h-left'),
    pose: 'fullDroop',
    length_m: 0.728,
    typed: '728 mm',
  };
  const job = { ...outfitJob(), readings: [reading] } as unknown as JobDetail;
  expect(describeDetail({ readingId: reading.id, because: 'the mark slipped' }, 'readingStruck', job)).toBe(
    ': left hose, full droop, 728\u2009mm, typed “728 mm”, because: the mark slipped',
  );
});

test('every kind has its words, and none of them fails on a line of before that tells nothing', () => {
  for (const kind of LOG_KINDS) expect(describeDetail({}, kind)).toMatch(/^$|^: [a-z]/);
});

test('a field that is not as its kind has it is left out, and the others are told', () => {
  const told = { jointId: uuid('j-master'), torque_Nm: 19.6, verdict: 'fine', freshWashers: 'two' };
  expect(describeDetail(told, 'torqued')).toBe(': master, 19.6\u2009N·m');
});
