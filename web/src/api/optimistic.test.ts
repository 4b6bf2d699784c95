import type { JobDetail } from '@zephyrcombe/contract';
import { withAction } from './optimistic.ts';
import { OwnWrites } from './ownWrites.ts';

const DETAIL = {
  job: { version: 3, handoverChecks: { stopLamp: true }, endsConfirmed: false },
  hoses: [
    {
      hoseId: 'h',
      clocking_rad: null,
      version: 1,
      order_m: null,
      poseChecks: { leftLock: true, rightLock: false },
    },
  ],
  joints: [{ jointId: 'j', version: 0, handTight: false }],
  bleedRuns: [],
} as unknown as JobDetail;
const NOW = '2026-11-23T10:00:00.000Z';

describe('an action shown before it is through', () => {
  test('one check is merged into the others', () => {
    const after = withAction(
      DETAIL,
      'editJob',
      { params: { jobId: 'x' }, body: { version: 3, handoverChecks: { levelAtMark: true } } },
      NOW,
    );
    expect(after.job.handoverChecks).toEqual({ stopLamp: true, levelAtMark: true });
    expect(after.job.version).toBe(3);
  });

  test('a hose gets its clocking, but no length before the server has judged it', () => {
    const after = withAction(
      DETAIL,
      'editJobHose',
      { params: { jobId: 'x', hoseId: 'h' }, body: { version: 1, clocking_rad: 0.5, order_m: 0.7 } },
      NOW,
    );
    expect(after.hoses[0]).toMatchObject({ clocking_rad: 0.5, order_m: null });
  });

  test('a stroke is counted once, however often it is applied', () => {
    const stroke = { params: { jobId: 'x', nippleId: 'n' }, body: { id: 'e', kind: 'stroke' as const } };
    const once = withAction(DETAIL, 'addBleedEvent', stroke, NOW);
    expect(withAction(once, 'addBleedEvent', stroke, NOW).bleedRuns[0]?.events).toEqual([
      { id: 'e', kind: 'stroke', at: NOW, sequence: 1 },
    ]);
  });

  test('a torque is not shown as recorded before it is', () => {
    expect(withAction(DETAIL, 'recordTorque', {}, NOW)).toBe(DETAIL);
  });
});

describe('own writes', () => {
  test('a second edit follows the first one’s version', () => {
    const own = new OwnWrites();
    own.record('job', 3, 4);
    own.record('job', 4, 5);
    expect(own.follow('job', 3)).toBe(5);
    expect(own.follow('job', 5)).toBe(5);
    expect(own.follow('hose', 3)).toBe(3);
  });

  test('somebody else’s write is not followed', () => {
    const own = new OwnWrites();
    own.record('job', 3, 4);
    // 5 was theirs; ours was made on 4 and is stale.
    own.record('job', 6, 7);
    expect(own.follow('job', 4)).toBe(4);
  });
});
