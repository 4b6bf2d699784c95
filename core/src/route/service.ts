/** Whether pads, pins and nipples can be reached with the hose on, and how far an end has to be turned where not. */
import { dot, scaled, unit } from '../geometry/vector.ts';
import type { Caution } from '../mistakes/caution.ts';
import { turnedEnd } from './endPiece.ts';
import { AS_MEASURED_ONLY } from './rig.ts';
import type { ScenePose } from './scene.ts';
import type { KeepOut, Scene } from './sceneParts.ts';
import { solveScene } from './scene.ts';

const STEP_rad = (5 * Math.PI) / 180;
/** Half round: further, and the end points back at the part. */
const STEPS = 18;

/** M18 for each part that is covered in the pose in which everything was measured. */
export function serviceCautions(scene: Scene, installed: ScenePose): readonly Caution[] {
  return scene.keepOuts.flatMap((part, index): readonly Caution[] => {
    const gap = installed.gaps[index];
    if (part.nature !== 'service' || !gap || gap.gap_m >= gap.wanted_m) return [];
    return [{ id: 'M18', evidence: { part: part.name, turn_rad: turnClear(scene, part, index) } }];
  });
}

/** The least turn of the eye on the same part, either way, that clears it; null where none does, or no eye is there. */
function turnClear(scene: Scene, part: KeepOut, index: number): number | null {
  const { hose } = scene;
  const which = hose.end.body === part.body ? 'end' : hose.start.body === part.body ? 'start' : null;
  const eyeAxis = which && hose[which].eyeAxis;
  if (!which || !eyeAxis) return null;
  // Right-hand about the axis away from the part: the side to which the hose leaves.
  const axis = unit(scaled(eyeAxis, dot(eyeAxis, hose[which].outward) < 0 ? -1 : 1));
  for (let step = 1; step <= STEPS; step += 1)
    for (const sign of [1, -1]) {
      const turn_rad = sign * step * STEP_rad;
      const turned = { ...scene, hose: { ...hose, [which]: turnedEnd(hose[which], axis, turn_rad) } };
      const [pose] = solveScene(turned, AS_MEASURED_ONLY);
      const gap = pose?.gaps[index];
      if (gap && gap.gap_m >= gap.wanted_m) return turn_rad;
    }
  return null;
}
