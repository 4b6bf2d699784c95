/** What is ticked in a job, in words: on its page and in its log. */
import type { FitChecks } from '@zephyrcombe/contract';
import type { PoseCheck } from '@zephyrcombe/core';

export const POSE_CHECK_NAMES: Readonly<Record<PoseCheck, string>> = {
  controlsFinal: 'Lever and bars set where the rider wants them',
  bracketsInPlace: 'Brackets and clips in place',
  leftLock: 'Left lock: no pull, no pinch',
  rightLock: 'Right lock: no pull, no pinch',
  fullBump: 'Full bump: the spare loop stays clear of tyre, spokes and exhaust',
  crossedUp: 'Axle crossed up both ways: no pull at the wheel that drops',
};

export const FIT_CHECK_NAMES: Readonly<Record<keyof FitChecks, string>> = {
  offeredUp: 'New hoses laid along their measured routes, before anything is opened',
  settle: 'Clips loose, hose relaxed: it lies without twist, stripe straight',
  lockToLock: 'Lock to lock: no pull, no pinch, nothing rubs',
  droopAndBump: 'Full droop and full bump: clear of tyre, spokes, exhaust and pad pins',
};
