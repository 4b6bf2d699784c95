/** A tracing as it is made: points set so far and sizes as typed; it measures as soon as enough of it is there. */
import type { Point, Quad, TraceLine, Tracing, UnitId } from '@zephyrcombe/core';
import { editableText, readQuantity } from '../../quantities/QuantityField.tsx';

export type ScaleKind = NonNullable<Tracing['scale']>['kind'];
/** What the next point on the picture belongs to. */
export type Target = 'scale' | 'line';

export interface TraceDraft {
  readonly scaleKind: ScaleKind;
  /** Up to two for an even scale, up to four for a rectangle. */
  readonly even: readonly Point[];
  readonly corners: readonly Point[];
  readonly distance: string;
  readonly width: string;
  readonly height: string;
  readonly line: TraceLine;
  readonly points: readonly Point[];
}

export const EMPTY_TRACE: TraceDraft = {
  scaleKind: 'even',
  even: [],
  corners: [],
  distance: '',
  width: '297 mm',
  height: '210 mm',
  line: 'straight',
  points: [],
};

/** As many points as a kind of scale takes. */
export const SCALE_POINTS: Readonly<Record<ScaleKind, number>> = { even: 2, perspective: 4 };

export const scalePoints = (draft: TraceDraft): readonly Point[] =>
  draft.scaleKind === 'even' ? draft.even : draft.corners;

const sized = (text: string): number | null => readQuantity(text, 'length').quantity?.value_SI ?? null;

export function tracingOf(draft: TraceDraft): Tracing {
  return { scale: scaleOf(draft), line: draft.line, points: draft.points };
}

function scaleOf(draft: TraceDraft): Tracing['scale'] {
  if (draft.scaleKind === 'even') {
    const [from, to] = draft.even;
    const distance_m = sized(draft.distance);
    return from && to && distance_m !== null ? { kind: 'even', from, to, distance_m } : null;
  }
  const [width_m, height_m] = [sized(draft.width), sized(draft.height)];
  return draft.corners.length === 4 && width_m !== null && height_m !== null
    ? { kind: 'perspective', corners: draft.corners as unknown as Quad, width_m, height_m }
    : null;
}

export function draftOf({ scale, line, points }: Tracing, unit: UnitId): TraceDraft {
  const draft = { ...EMPTY_TRACE, line, points };
  if (scale === null) return draft;
  return scale.kind === 'even'
    ? {
        ...draft,
        scaleKind: 'even',
        even: [scale.from, scale.to],
        distance: editableText(scale.distance_m, unit),
      }
    : {
        ...draft,
        scaleKind: 'perspective',
        corners: scale.corners,
        width: editableText(scale.width_m, unit),
        height: editableText(scale.height_m, unit),
      };
}

const MOST_POINTS = 60;

/** With one more point; a scale that has all of its points takes none. */
export function withPoint(draft: TraceDraft, target: Target, point: Point): TraceDraft {
  if (target === 'line')
    return draft.points.length >= MOST_POINTS ? draft : { ...draft, points: [...draft.points, point] };
  const field = draft.scaleKind === 'even' ? 'even' : 'corners';
  return draft[field].length >= SCALE_POINTS[draft.scaleKind]
    ? draft
    : { ...draft, [field]: [...draft[field], point] };
}

const fieldOf = (draft: TraceDraft, target: Target) =>
  target === 'line' ? 'points' : draft.scaleKind === 'even' ? 'even' : 'corners';

export function movedPoint(draft: TraceDraft, target: Target, index: number, to: Point): TraceDraft {
  const field = fieldOf(draft, target);
  return { ...draft, [field]: draft[field].with(index, to) };
}

export function withoutPoint(draft: TraceDraft, target: Target, index: number): TraceDraft {
  const field = fieldOf(draft, target);
  return { ...draft, [field]: draft[field].toSpliced(index, 1) };
}

/** What is asked for next: first the scale, then the line. */
export const nextTarget = (draft: TraceDraft): Target =>
  scalePoints(draft).length < SCALE_POINTS[draft.scaleKind] ? 'scale' : 'line';
