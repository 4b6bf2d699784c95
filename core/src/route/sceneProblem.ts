/** What keeps a scene from being solved at all. */
import { demand, unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Problem } from '../calculation/problem.ts';
import { norm } from '../geometry/vector.ts';
import type { Rig, RigGrid } from './rig.ts';
import type { Scene, SceneHose } from './sceneParts.ts';
import { heldStiffener } from './sceneParts.ts';
import { LEAST_SOFT_m } from './slide.ts';

/** Scenes and grids do not change once made: each is looked through once. */
const sound = new WeakSet<object>();

/** Sizes of what the hose keeps away from, and of the hose; places may lie anywhere. */
const RULES = {
  positive: ['radius_m', 'tube_m', 'outside_m', 'leastRadius_m'],
  notNegative: ['rigid_m', 'gap_m', 'at_m', 'half_m', 'travel_m', 'lock_rad', 'roll_rad', 'swing_rad'],
} as const;

/** A steering that turns further, or a fork that lies flatter, is no steering. */
const MOST_TURN_rad = Math.PI / 2;

export function sceneProblem(scene: Scene): Problem | null {
  if (sound.has(scene)) return null;
  const found = problemOf(scene);
  if (!found) sound.add(scene);
  return found;
}

/** Refuses a scene that cannot be solved, for functions that return what a sound one makes. */
export const demandScene = (scene: Scene): void => demand(sceneProblem(scene));

/** The same of poses. */
export function demandGrid(grid: RigGrid): void {
  if (sound.has(grid)) return;
  demand(unphysical(grid, { notNegative: ['installed'], positive: ['columns'] }));
  // The number of a pose, and nothing between two.
  if (!grid.poses[grid.installed]) demand({ code: 'notPositive', field: 'installed', value: grid.installed });
  sound.add(grid);
}

function rigProblem(rig: Rig): Problem | null {
  const angles = Object.entries(rig).filter(([name]) => name.endsWith('_rad'));
  for (const [field, value] of angles)
    if (typeof value === 'number' && Math.abs(value) >= MOST_TURN_rad) return { code: 'tooLarge', field };
  // A rig with nothing to travel or swing has no droop and no bump.
  const { travel_m, swing_rad } = rig as { readonly travel_m?: number; readonly swing_rad?: number };
  return (
    firstNotPositive({
      ...(travel_m === undefined ? {} : { travel_m }),
      ...(swing_rad === undefined ? {} : { swing_rad }),
    }) ??
    (rig.kind === 'armedStrut' && !(norm(rig.armAxis) > 1e-9)
      ? { code: 'noDirection', field: 'armAxis' }
      : null)
  );
}

function problemOf(scene: Scene): Problem | null {
  const { rig, hose, keepOuts } = scene;
  const { length_m, outside_m, leastRadius_m } = hose;
  const refused =
    firstNotPositive({ length_m, outside_m, leastRadius_m }) ??
    unphysical({ ...hose, keepOuts, rig }, RULES) ??
    rigProblem(rig);
  if (refused) return refused;
  for (const [field, direction] of [
    ['start.outward', hose.start.outward],
    ['end.outward', hose.end.outward],
    ...hose.clips.map((clip, index) => [`clips.${index}.along`, clip.along] as const),
    ...(['start', 'end'] as const).flatMap((which) => {
      const { neck, eyeAxis } = hose[which];
      return [
        ...(neck ? [[`${which}.neck`, neck.along] as const] : []),
        ...(eyeAxis ? [[`${which}.eyeAxis`, eyeAxis] as const] : []),
      ];
    }),
  ] as const)
    if (!(norm(direction) > 1e-9)) return { code: 'noDirection', field };
  for (const [index, { solid }] of keepOuts.entries())
    if (solid.shape === 'ring' && !(norm(solid.axis) > 1e-9))
      return { code: 'noDirection', field: `keepOuts.${index}.axis` };
  for (const which of ['start', 'end'] as const) {
    const { neck, rigid_m } = hose[which];
    if (neck && neck.length_m > rigid_m) return { code: 'neckTooLong', field: `${which}.neck`, rigid_m };
  }
  const rigid_m = hose.start.rigid_m + hose.end.rigid_m;
  if (length_m <= rigid_m) return { code: 'shorterThanItsFittings', field: 'length_m', takeOffs_m: rigid_m };
  let before_m = hose.start.rigid_m;
  for (const [index, { at_m }] of hose.clips.entries()) {
    if (at_m <= before_m) return { code: 'clipsOutOfOrder', field: `clips.${index}.at_m` };
    before_m = at_m;
  }
  if (before_m >= length_m - hose.end.rigid_m && hose.clips.length > 0)
    return { code: 'clipsOutOfOrder', field: `clips.${hose.clips.length - 1}.at_m` };
  return stiffenerProblem(hose);
}

/** Every stiffener needs bending hose before and after it, unless a clip grips it. */
function stiffenerProblem(hose: SceneHose): Problem | null {
  const grips = hose.clips.filter((clip) => heldStiffener(hose, clip) === undefined);
  const taken: (readonly [number, number])[] = [
    [0, hose.start.rigid_m],
    ...grips.map(({ at_m }) => [at_m, at_m] as const),
    [hose.length_m - hose.end.rigid_m, hose.length_m],
  ];
  for (const [index, { from_m, length_m }] of (hose.stiffeners ?? []).entries()) {
    const to_m = from_m + length_m;
    if (!(length_m > 0))
      return { code: 'notPositive', field: `stiffeners.${index}.length_m`, value: length_m };
    if (taken.some(([from, to]) => from_m < to + LEAST_SOFT_m && to_m > from - LEAST_SOFT_m))
      return { code: 'stiffenerOutOfPlace', field: `stiffeners.${index}.from_m` };
    taken.push([from_m, to_m]);
  }
  return null;
}
