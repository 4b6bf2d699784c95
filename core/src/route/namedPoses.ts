/** How near a hose comes to anything in each pose that has a name at the vehicle. */
import type { Pose } from '../measure/pose.ts';
import { POSES } from '../measure/pose.ts';
import type { RigPose, Rig } from './rig.ts';
import { axesOf } from './rig.ts';
import type { ScenePose } from './scene.ts';

/** An end of an axis is reached within this share of it. */
const AT_END = 1e-6;

/**
 * Which places on the two axes a named pose may stand for; null where this rig has no such pose. Of the other axis all of it:
 * nobody holds it still while looking, and the nearest of them is what may be seen.
 */
function isIn(rig: Rig, pose: Pose): ((at: RigPose) => boolean) | null {
  const { across, down } = axesOf(rig);
  const near = (value: number, end: number, span: number) => Math.abs(value - end) <= AT_END * span;
  const downSpan = down.most - down.least;
  const steers = across?.name === 'steering' ? across : null;
  switch (pose) {
    case 'fullDroop':
      return (at) => near(at.down, down.least, downSpan);
    case 'fullBump':
      return (at) => near(at.down, down.most, downSpan);
    // To the left is positive: y is to the left, and the turn is about an axis that points up.
    case 'leftLock':
      return steers && ((at) => near(at.across, steers.most, steers.most - steers.least));
    case 'rightLock':
      return steers && ((at) => near(at.across, steers.least, steers.most - steers.least));
    case 'straightAhead':
      return (at) => across === null || near(at.across, 0, across.most - across.least);
    case 'crossedUp':
      return across?.name === 'roll'
        ? (at) => near(Math.abs(at.across), across.most, across.most - across.least)
        : null;
  }
}

/**
 * The least distance of a hose to anything that is drawn, in each named pose that its rig has, metres; none where nothing is
 * drawn near it, or where the hose has no shape in that pose. `poses` are all of a grid.
 */
export function leastGapsByPose(rig: Rig, poses: readonly ScenePose[]): Partial<Record<Pose, number>> {
  const least: Partial<Record<Pose, number>> = {};
  for (const name of POSES) {
    const matches = isIn(rig, name);
    if (!matches) continue;
    const gaps_m = poses
      .filter(({ pose }) => matches(pose))
      .flatMap(({ gaps }) => gaps.flatMap((gap) => (gap === null ? [] : [gap.gap_m])));
    if (gaps_m.length > 0) least[name] = Math.max(0, Math.min(...gaps_m));
  }
  return least;
}
