/** Straight distances between the two ports, measured in a pose or two: how far the model is off, and what most likely explains it. */
import type { Vector } from '../geometry/vector.ts';
import { length } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Rig, RigPose } from './rig.ts';
import type { Scene } from './sceneParts.ts';
import { portChord_m } from './scene.ts';
import { unphysical } from '../calculation/physical.ts';
import { sceneProblem } from './sceneProblem.ts';

export interface MeasuredChord {
  readonly pose: RigPose;
  readonly chord_m: number;
}

/** One figure of the model: a number of the rig, or a coordinate of one of its points or of a port. */
export interface Dimension {
  readonly of: 'rig' | 'start' | 'end';
  /** The field, as the rig and the end call it. */
  readonly field: string;
  /** 0, 1, 2 for forward, left, up; null for a plain figure. */
  readonly axis: 0 | 1 | 2 | null;
}

export interface ChordCheck {
  /** Measured less model, in the order of the measurements. */
  readonly off_m: readonly number[];
  readonly worst_m: number;
  /** The single figure whose change makes the model agree best for what it would have been misread by; null where it agrees already. */
  readonly suspect: {
    readonly dimension: Dimension;
    readonly change: number;
    readonly left_m: number;
  } | null;
}

const OFF: Formula = { expression: 'off = c_measured − c_model', source: 'checkChord' };

/** A tape from bolt to bolt; our estimate. Less than twice this is no disagreement. */
const TAPE_m = 0.003;
/** How far off a figure is commonly measured: a point by tape, an angle by gauge; our estimates. */
const POINT_m = 0.008;
const ANGLE_rad = (2 * Math.PI) / 180;

/**
 * For every single figure: the change that explains the differences best by least squares (its effect taken as straight), weighed by how
 * far such a figure is commonly misread and by what would be left. Problem: no measurement, or one that is not positive.
 */
export function checkChords(scene: Scene, measured: readonly MeasuredChord[]): Result<ChordCheck> {
  const unsound = sceneProblem(scene) ?? unphysical(measured);
  if (unsound) return problem(unsound);
  if (measured.length === 0) return problem({ code: 'noReading', field: 'chords' });
  for (const { chord_m } of measured) {
    const refused = firstNotPositive({ chord_m });
    if (refused) return problem(refused);
  }
  const model_m = measured.map(({ pose }) => portChord_m(scene, pose));
  const off_m = measured.map(({ chord_m }, index) => chord_m - (model_m[index] ?? 0));
  const worst_m = Math.max(...off_m.map(Math.abs));
  const steps = measured.map(({ chord_m }, index) => ({
    formula: OFF,
    inputs: [
      term('c_measured', 'chordMeasured', length(chord_m)),
      term('c_model', 'chordModel', length(model_m[index] ?? 0)),
    ],
    result: term('off', 'chordOff', length(off_m[index] ?? 0)),
  }));
  return calculated(
    { off_m, worst_m, suspect: worst_m < 2 * TAPE_m ? null : suspectOf(scene, measured, off_m) },
    steps,
  );
}

function suspectOf(
  scene: Scene,
  measured: readonly MeasuredChord[],
  off_m: readonly number[],
): ChordCheck['suspect'] {
  let best: ChordCheck['suspect'] = null;
  let least = Infinity;
  for (const dimension of dimensionsOf(scene)) {
    const isAngle = dimension.field.endsWith('_rad');
    const step = isAngle ? 1e-4 : 1e-5;
    const moved = withChange(scene, dimension, step);
    if (sceneProblem(moved)) continue;
    const slopes = measured.map(({ pose }) => (portChord_m(moved, pose) - portChord_m(scene, pose)) / step);
    const square = slopes.reduce((sum, slope) => sum + slope * slope, 0);
    if (square < 1e-6) continue;
    const change = slopes.reduce((sum, slope, index) => sum + slope * (off_m[index] ?? 0), 0) / square;
    const left_m = Math.max(...off_m.map((off, index) => Math.abs(off - (slopes[index] ?? 0) * change)));
    const cost = (change / (isAngle ? ANGLE_rad : POINT_m)) ** 2 + (left_m / TAPE_m) ** 2;
    if (cost < least) {
      least = cost;
      best = { dimension, change, left_m };
    }
  }
  return best;
}

const AXES = [0, 1, 2] as const;
const isVector = (value: unknown): value is Vector => Array.isArray(value) && value.length === 3;

/** Every figure that a tape or a gauge gave; what only bounds the movement is none of them. */
function dimensionsOf({ rig }: Scene): readonly Dimension[] {
  const ports = (['start', 'end'] as const).flatMap((of) =>
    AXES.map((axis): Dimension => ({ of, field: 'port_m', axis })),
  );
  const ofRig = Object.entries(rig).flatMap(([field, value]): readonly Dimension[] => {
    if (isVector(value) && field !== 'armAxis') return AXES.map((axis) => ({ of: 'rig', field, axis }));
    return field === 'rake_rad' ? [{ of: 'rig', field, axis: null }] : [];
  });
  return [...ports, ...ofRig];
}

/** The scene with one of its figures changed by so much, metres or radians. */
export function withChange(scene: Scene, { of, field, axis }: Dimension, by: number): Scene {
  const changed = <Part extends object>(part: Part): Part => {
    const value = (part as Readonly<Record<string, unknown>>)[field];
    const next =
      axis !== null && isVector(value)
        ? (value.with(axis, value[axis] + by) as unknown as Vector)
        : typeof value === 'number'
          ? value + by
          : value;
    return { ...part, [field]: next };
  };
  if (of === 'rig') return { ...scene, rig: changed<Rig>(scene.rig) };
  return { ...scene, hose: { ...scene.hose, [of]: changed(scene.hose[of]) } };
}
