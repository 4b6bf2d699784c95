/** The pattern corners as scenes, for tests of the route. */
import { sceneOf } from './corner.ts';
import type { CornerPattern } from './patternCorners.ts';
import { PATTERN_CORNERS } from './patternCorners.ts';
import type { Scene } from './sceneParts.ts';

export function patternScene(pattern: CornerPattern): Scene {
  const corner = PATTERN_CORNERS[pattern];
  const [hose] = corner.hoses;
  const scene = hose && sceneOf(corner, hose.id);
  if (!scene) throw new Error(`no hose in ${pattern}`);
  return scene;
}

export const SAMPLE_FORK = patternScene('fork');
