import { nipplesOf, openChecks, openChecksText } from '@zephyrcombe/contract';
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
    const none = { toTorque: 0, toSeeDry: 0, toRunClear: 0, toCount: 0, ticks: 0, all: 0 };
    expect(openChecksText(none)).toBeNull();
    expect(openChecksText({ ...none, toTorque: 1, all: 1 })).toBe(
      '1 check is still open: 1 joint to torque.',
    );
  });
});
