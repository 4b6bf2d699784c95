/**
 * The 60° basic profile that ISO metric and Unified threads share (ISO 68-1, ASME B1.1): sizes from nominal
 * diameter and pitch, in metres.
 */
import { demand } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';

/** Height of the sharp triangle. */
export const triangleHeight_m = (pitch_m: number): number => (Math.sqrt(3) / 2) * pitch_m;
/** Basic pitch diameter, d2 = D2: ridge and groove are equally wide there. */
export const pitchDiameter_m = (major_m: number, pitch_m: number): number =>
  major_m - 0.75 * triangleHeight_m(pitch_m);
/** Basic minor diameter of the internal thread, D1. */
export function minorDiameter_m(major_m: number, pitch_m: number): number {
  demand(firstNotPositive({ major_m, pitch_m }));
  return major_m - 1.25 * triangleHeight_m(pitch_m);
}
/** Minor diameter of the external thread at its rounded root, d3. */
export const rootDiameter_m = (major_m: number, pitch_m: number): number =>
  major_m - (17 / 12) * triangleHeight_m(pitch_m);
/** Tensile stress area of ISO 898-1, square metres. */
export const stressArea_m2 = (major_m: number, pitch_m: number): number =>
  (Math.PI / 4) * ((pitchDiameter_m(major_m, pitch_m) + rootDiameter_m(major_m, pitch_m)) / 2) ** 2;

/** More turns than this no bolt has. */
const MOST_PITCHES = 1000;

/** A point of a profile: along the axis, and out from it. */
export interface ProfilePoint {
  readonly along_m: number;
  readonly radius_m: number;
}

/**
 * The basic profile as a polyline over a number of whole pitches, beginning and ending in the middle of a crest:
 * crest flat P/8 at the major diameter, root flat P/4 at the minor, flanks at 30° to the normal of the axis.
 */
export function profile(major_m: number, pitch_m: number, pitches: number): readonly ProfilePoint[] {
  demand(
    firstNotPositive({ major_m, pitch_m, pitches }) ??
      (pitches <= MOST_PITCHES ? null : { code: 'tooLarge', field: 'pitches' }),
  );
  const crest_m = major_m / 2;
  const root_m = minorDiameter_m(major_m, pitch_m) / 2;
  const points: ProfilePoint[] = [{ along_m: 0, radius_m: crest_m }];
  for (let turn = 0; turn < pitches; turn += 1) {
    const start_m = turn * pitch_m;
    points.push(
      { along_m: start_m + pitch_m / 16, radius_m: crest_m },
      { along_m: start_m + (3 / 8) * pitch_m, radius_m: root_m },
      { along_m: start_m + (5 / 8) * pitch_m, radius_m: root_m },
      { along_m: start_m + (15 / 16) * pitch_m, radius_m: crest_m },
    );
  }
  points.push({ along_m: pitches * pitch_m, radius_m: crest_m });
  return points;
}
