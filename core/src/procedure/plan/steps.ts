/** The steps of a plan, as they are exported. */
import type { SourceId } from '../../sources/bibliography.ts';
import type { End } from './ends.ts';

export const JOINED_BY = ['bolt', 'nut', 'turningHose'] as const;
export type JoinedBy = (typeof JOINED_BY)[number];
export const OPENED_BY = [...JOINED_BY, 'cut'] as const;
export type OpenedBy = (typeof OPENED_BY)[number];
/** Of a line that is replaced: the one that comes off, the one that goes on. */
export type Body = 'old' | 'new';

interface Held {
  /** Its neck lies on a stop: held there while it is tightened. */
  readonly neckHeld?: true | undefined;
  /** Another line meets it: its hexagon is held with a second wrench. */
  readonly backup?: true | undefined;
}

export type PlanStep =
  | { readonly kind: 'openCover' | 'closeCover'; readonly cover: string }
  | { readonly kind: 'photograph' | 'offerUp' | 'makeLine' | 'settle'; readonly line: string }
  | { readonly kind: 'unplugLead'; readonly lead: string }
  | { readonly kind: 'plugLead'; readonly lead: string; readonly side: string }
  | { readonly kind: 'coverPaint' | 'countCaps' }
  | { readonly kind: 'soak' | 'clean' | 'crack' | 'mark' | 'leakCheck'; readonly joint: string }
  | { readonly kind: 'open'; readonly joint: string; readonly by: OpenedBy }
  | { readonly kind: 'join'; readonly joint: string; readonly by: JoinedBy; readonly washers: number }
  | { readonly kind: 'freshWashers'; readonly joint: string; readonly washers: number }
  | ({
      readonly kind: 'torque';
      readonly joint: string;
      readonly minimum_Nm: number;
      readonly maximum_Nm: number;
      readonly source: SourceId;
    } & Held)
  | ({ readonly kind: 'byFeel'; readonly joint: string } & Held)
  | { readonly kind: 'turnEnd'; readonly line: string; readonly end: End; readonly angle_deg: number }
  | { readonly kind: 'level' | 'drainReservoir'; readonly reservoir: string }
  | { readonly kind: 'drainNipple'; readonly nipple: string }
  | { readonly kind: 'cap' | 'uncap'; readonly opening: string }
  | { readonly kind: 'releaseHold' | 'placeHold' | 'tightenHold'; readonly hold: string }
  | { readonly kind: 'takeOff' | 'route'; readonly line: string; readonly body: Body }
  | { readonly kind: 'heat'; readonly joint: string; readonly wearing: readonly string[] }
  | { readonly kind: 'reflare'; readonly line: string; readonly end: End }
  | {
      readonly kind: 'movement';
      readonly lines: readonly string[];
      readonly poses: readonly string[];
      readonly final: boolean;
    }
  | { readonly kind: 'bleed' | 'absCycle' | 'pressureHold'; readonly circuit: string };

export type StepKind = PlanStep['kind'];

/** A step matches when each field is equal, or a list holds what `has` names. */
export type StepPattern = Readonly<Record<string, unknown>>;

export function matches(step: PlanStep, pattern: StepPattern): boolean {
  const fields = step as unknown as Readonly<Record<string, unknown>>;
  return Object.entries(pattern).every(([key, wanted]) => {
    const value = fields[key];
    if (typeof wanted === 'object' && wanted !== null && 'has' in wanted)
      return Array.isArray(value) && value.includes(wanted.has);
    return JSON.stringify(value) === JSON.stringify(wanted);
  });
}

/** As it is sent and kept: without what a plan says of it. */
export function plainStep(step: PlanStep): PlanStep {
  const { id: _id, because: _because, ...own } = step as PlanStep & { id?: unknown; because?: unknown };
  return own;
}

/** Two steps are the same one where this is the same: fields in any order, without what a plan adds to them. */
export function stepKey(step: PlanStep): string {
  return JSON.stringify(
    Object.entries(plainStep(step))
      .filter(([, value]) => value !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1)),
  );
}

export const portOpening = (jointId: string): string => `port:${jointId}`;
export const endOpening = (lineId: string, end: End): string => `end:${lineId}:${end}`;
