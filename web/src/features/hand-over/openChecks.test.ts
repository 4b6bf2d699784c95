import type { TorqueRecord } from '@zephyrcombe/contract';
import { nipplesOf } from '@zephyrcombe/contract';
import { digestOf, fittedFacts, isTorqued, openChecks, openChecksText } from '@zephyrcombe/workshop';
import { HANDOVER_CHECKS } from '@zephyrcombe/core';
import { outfitJob } from '../../testing/outfit.ts';

describe('what is still open', () => {
  test('counts joints, nipples, caps and ticks, and not the ticks alone', () => {
    const detail = outfitJob();
    const open = openChecks(detail);
    expect(open).toMatchObject({
      toTorque: detail.joints.length,
      toSeeDry: detail.joints.length,
      toRunClear: nipplesOf(detail).length,
      ticks: HANDOVER_CHECKS.length,
    });
    expect(open.toTorque).toBeGreaterThan(0);
    expect(open.toRunClear).toBeGreaterThan(0);
    expect(open.all).toBe(open.toTorque + open.toSeeDry + open.toRunClear + open.toCount + open.ticks);
    expect(openChecksText(open)).toContain(`${open.all} checks are still open`);
  });

  test('nothing is said when nothing is open, and one is one', () => {
    const none = { toTorque: 0, toSeeDry: 0, toRunClear: 0, toCount: 0, toPutOn: 0, ticks: 0, all: 0 };
    expect(openChecksText(none)).toBeNull();
    expect(openChecksText({ ...none, toTorque: 1, all: 1 })).toBe(
      '1 check is still open: 1 joint to torque.',
    );
  });
});

describe('a joint is tight', () => {
  const detail = outfitJob();
  const jointId = detail.joints[0]?.jointId ?? '';
  const record = (over: Partial<TorqueRecord>): TorqueRecord => ({
    id: 'a5d4c0de-0000-4000-8000-000000000001',
    jointId,
    wrenchId: 'a5d4c0de-0000-4000-8000-000000000002',
    wrenchName: 'Bench 25',
    torque_Nm: 19,
    typed: '19 N·m',
    freshWashers: 2,
    settled: true,
    witnessMark: true,
    verdict: 'within',
    by: 'Brannoc Hale',
    byId: null,
    at: '2026-11-23T10:00:00.000Z',
    ...over,
  });
  const facts = fittedFacts(detail, jointId);
  const fitted = { by: 'Brannoc Hale', byId: jointId, at: record({}).at, digest: digestOf(facts), facts };
  const tight = (records: readonly TorqueRecord[], joint: object = {}) =>
    isTorqued(
      {
        ...detail,
        joints: detail.joints.map((one) => (one.jointId === jointId ? { ...one, ...joint } : one)),
        torqueRecords: [...records],
      },
      jointId,
    );

  test('by its last record: one that went over the limit after it undoes it', () => {
    expect(tight([record({})])).toBe(true);
    expect(tight([record({}), record({ verdict: 'above', torque_Nm: 40 })])).toBe(false);
    expect(tight([record({ verdict: 'above' }), record({})])).toBe(true);
    expect(tight([])).toBe(false);
  });

  test('while it holds the parts that were tightened; a record of before parts were kept stands', () => {
    const another = { washer: { material: 'copper', thickness_m: 0.001 } };
    expect(tight([record({ fitted })])).toBe(true);
    expect(tight([record({ fitted })], another)).toBe(false);
    expect(tight([record({})], another)).toBe(true);
    // Whether somebody ticked it hand tight or dry is none of its parts.
    expect(tight([record({ fitted })], { handTight: false, leakChecked: true, version: 9 })).toBe(true);
  });
});
