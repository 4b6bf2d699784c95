/** The kept route with the hose as it is to be built: another bend, another length, what is on it where it is. */
import type { JobHose } from '../entities/job.ts';
import type { EndGeometry, HoseBuild, Scene } from '@zephyrcombe/core';
import { fittedEnd } from '@zephyrcombe/core';

const degrees = (angle_rad: number) => Math.round((angle_rad * 180) / Math.PI);

/** `build` null: nobody has said what is on the hose; what the route holds and covers it with is on it still. */
export function builtScene(
  scene: Scene,
  hose: Pick<JobHose, 'endA' | 'endB' | 'order_m'>,
  fitted: { readonly endA: EndGeometry; readonly endB: EndGeometry },
  build: HoseBuild | null,
): Scene {
  const bent = (end: Scene['hose']['start'], now: EndGeometry, before: EndGeometry) =>
    degrees(now.neckAngle_rad) === degrees(before.neckAngle_rad)
      ? end
      : fittedEnd(end, { bend_deg: degrees(now.neckAngle_rad), turn_rad: 0 });
  return {
    ...scene,
    hose: {
      ...scene.hose,
      start: bent(scene.hose.start, hose.endA, fitted.endA),
      end: bent(scene.hose.end, hose.endB, fitted.endB),
      length_m: hose.order_m ?? scene.hose.length_m,
      ...(build === null ? {} : asBuilt(scene, build)),
    },
  };
}

function asBuilt(scene: Scene, build: HoseBuild): Partial<Scene['hose']> {
  const on = (kind: HoseBuild['along'][number]['kind']) => build.along.filter((part) => part.kind === kind);
  // A clip of the route is known by its name; one that was added has no place on the vehicle yet.
  const clips = scene.hose.clips.flatMap((clip) => {
    const part = build.along.find(({ id }) => id === `clip ${clip.id}`);
    return part ? [{ ...clip, at_m: part.from_m }] : [];
  });
  return {
    clips: clips.toSorted((a, b) => a.at_m - b.at_m),
    stiffeners: on('stiffener').map(({ id, from_m, length_m }) => ({ id, from_m, length_m })),
    sleeves: [...on('sleeve'), ...on('sheath')].map(({ id, from_m, length_m, outside_m }) => ({
      id,
      from_m,
      length_m,
      outside_m: Math.max(outside_m ?? 0, build.outside_m),
    })),
    outside_m: build.outside_m,
  };
}
