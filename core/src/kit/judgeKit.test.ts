/** A hose out of the box: whatever is wrong with it is found, and nothing else is. */
import fc from 'fast-check';
import type { KitFound, KitItem, KitOrder } from './judgeKit.ts';
import { judgeKit, KIT_ITEMS } from './judgeKit.ts';

const degrees = (angle: number) => (angle * Math.PI) / 180;
const ORDER: KitOrder = {
  length_m: 0.742,
  tolerance_m: 0.003,
  longest_m: 0.77,
  endA: {
    family: 'banjo',
    neckAngle_rad: degrees(20),
    eyeBore_m: 0.0102,
    thread: 'M10×1.0',
    bolt_m: 0.01,
    turnable: null,
  },
  endB: {
    family: 'banjo',
    neckAngle_rad: degrees(45),
    eyeBore_m: 0.0102,
    thread: 'M10×1.25',
    bolt_m: 0.01,
    turnable: true,
  },
  clocking_rad: degrees(90),
  bolts: 2,
  washers: 4,
  use: 'road',
};
const END = ({ family, neckAngle_rad, eyeBore_m, thread }: KitOrder['endA']) => ({
  family,
  neckAngle_rad,
  eyeBore_m,
  thread,
});
const RIGHT: KitFound = {
  length_m: 0.7435,
  endA: END(ORDER.endA),
  endB: END(ORDER.endB),
  clocking_rad: degrees(84),
  bolts: 2,
  washers: 6,
  marking: 'as ordered',
  dateCode: '14/26',
  boreClear: true,
};

test('a box as it was ordered is accepted', () => {
  expect(judgeKit(ORDER, RIGHT)).toEqual({
    verdict: 'accept',
    open: [],
    findings: KIT_ITEMS.map((item) => ({ item, verdict: 'accept', reason: { is: 'asOrdered' } })),
  });
});

const FAULTS: readonly (readonly [KitItem, 'adapt' | 'return', string, Partial<KitFound>])[] = [
  ['length', 'return', 'short', { length_m: 0.7385 }],
  ['length', 'adapt', 'long', { length_m: 0.76 }],
  ['length', 'return', 'long', { length_m: 0.771 }],
  ['endA', 'return', 'otherEnd', { endA: { ...END(ORDER.endA), family: 'threaded', eyeBore_m: null } }],
  ['endA', 'return', 'otherBend', { endA: { ...END(ORDER.endA), neckAngle_rad: degrees(30) } }],
  ['endB', 'return', 'otherEye', { endB: { ...END(ORDER.endB), eyeBore_m: 0.0122 } }],
  ['endB', 'adapt', 'otherThread', { endB: { ...END(ORDER.endB), thread: 'M10×1.0' } }],
  ['clocking', 'adapt', 'turnEnd', { clocking_rad: degrees(-90) }],
  ['bolts', 'adapt', 'missing', { bolts: 1 }],
  ['washers', 'adapt', 'missing', { washers: 3 }],
  ['marking', 'return', 'noMarking', { marking: ' ' }],
  ['dateCode', 'adapt', 'yearAlone', { dateCode: '2026' }],
  ['dateCode', 'adapt', 'noDate', { dateCode: '' }],
  ['bore', 'return', 'blocked', { boreClear: false }],
];

test.each(FAULTS)('%s: %s, %s', (item, verdict, is, wrong) => {
  const judged = judgeKit(ORDER, { ...RIGHT, ...wrong });
  expect(judged.verdict).toBe(verdict);
  expect(judged.findings.filter((found) => found.verdict !== 'accept')).toEqual([
    { item, verdict, reason: expect.objectContaining({ is }) as unknown },
  ]);
});

test('any faults together are all found, the worst decides', () => {
  fc.assert(
    fc.property(fc.subarray([...FAULTS], { minLength: 1 }), (faults) => {
      const wrong = Object.assign({}, RIGHT, ...faults.map(([, , , part]) => part)) as KitFound;
      const { verdict, findings } = judgeKit(ORDER, wrong);
      const bad = findings.filter((found) => found.verdict !== 'accept').map(({ item }) => item);
      expect(new Set(bad)).toEqual(new Set(faults.map(([item]) => item)));
      expect(verdict).toBe(findings.some((found) => found.verdict === 'return') ? 'return' : 'adapt');
    }),
  );
});

test('nothing is accepted before everything was looked at; what sends it back does so at once', () => {
  const unseen: KitFound = {
    length_m: null,
    endA: null,
    endB: null,
    clocking_rad: null,
    bolts: null,
    washers: null,
    marking: null,
    dateCode: null,
    boreClear: null,
  };
  expect(judgeKit(ORDER, unseen)).toEqual({ findings: [], open: KIT_ITEMS, verdict: null });
  expect(judgeKit(ORDER, { ...RIGHT, boreClear: null }).verdict).toBeNull();
  expect(judgeKit(ORDER, { ...unseen, boreClear: false }).verdict).toBe('return');
});

test('an end that may not be turned goes back; competition hose needs no marking; without a route longer is not known to hold', () => {
  const fixed = { ...ORDER, endB: { ...ORDER.endB, turnable: false } };
  expect(judgeKit(fixed, { ...RIGHT, clocking_rad: 0 }).verdict).toBe('return');
  expect(judgeKit({ ...ORDER, use: 'competition' }, { ...RIGHT, marking: '' }).verdict).toBe('accept');
  expect(judgeKit({ ...ORDER, longest_m: null }, { ...RIGHT, length_m: 0.76 }).verdict).toBe('return');
});
