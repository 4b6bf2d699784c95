/** What a plan of fitting is about: the circuits, joints and lines of a job, how they can be reached, what was done so far. */
import type { EndKind } from '../../fittings/seat.ts';
import type { SourceId } from '../../sources/bibliography.ts';
import type { End } from './ends.ts';
import type { PlanStep, StepPattern } from './steps.ts';

/** Kept full and levelled, or sucked empty first. */
export const KEPT_WAYS = ['wet', 'drain'] as const;
export type Kept = (typeof KEPT_WAYS)[number];

export interface PlanReservoir {
  readonly id: string;
  readonly kept: Kept | 'auto';
  readonly nipples: readonly string[];
}

export interface PlanCircuit {
  readonly id: string;
  readonly reservoir: string;
  readonly abs: string | null;
  /** A diagnostic tool can run the unit's valves: what ran dry in it comes out again. */
  readonly absCanBeCycled: boolean;
}

export interface PlanComponent {
  readonly id: string;
  readonly kind: string;
}

export interface PlanJoint {
  readonly id: string;
  readonly component: string;
  readonly circuit: string;
  /** Along the lines. */
  readonly fromMaster_m: number;
  /** Above the floor. */
  readonly height_m: number;
  /** 0 open, 3 hidden. */
  readonly access: number;
  /** Needed when it is tightened. */
  readonly washers: number;
  readonly figure: {
    readonly minimum_Nm: number;
    readonly maximum_Nm: number;
    readonly source: SourceId;
  } | null;
  /** The neck of its end lies against a stop. */
  readonly stop?: boolean | undefined;
  /** Penetrant before it is opened. */
  readonly soak?: boolean | undefined;
  /** Its tube nut turns with its pipe. */
  readonly seized?: boolean | undefined;
  /** It is opened and tightened anew, whatever becomes of its lines. */
  readonly reopen?: boolean | undefined;
}

export interface PlanLineEnd {
  readonly joint: string;
  readonly end: EndKind;
}
/** New for old; a pipe made anew; the same off and on; the old one on again; not in the job. */
export const LINE_ACTIONS = ['replace', 'remake', 'refit', 'backOut', 'leave'] as const;
export type LineAction = (typeof LINE_ACTIONS)[number];

export interface PlanLine {
  readonly id: string;
  readonly kind: 'hose' | 'hardLine';
  readonly action: LineAction;
  readonly A: PlanLineEnd;
  readonly B: PlanLineEnd;
  readonly corner?: string | undefined;
  /** In which it has to be seen. */
  readonly poses: readonly string[];
  readonly selfMade?: boolean | undefined;
  readonly proofTested?: boolean | undefined;
  /** Of a hard line made anew: after the old one came off, or beforehand. */
  readonly madeFrom?: 'oldLine' | 'inPlace' | undefined;
  /** A crimped end that is turned on the bench. */
  readonly turnEnd?:
    { readonly end: End; readonly angle_deg: number; readonly rotatable: boolean } | undefined;
  /** Of a line that goes on again: it can. */
  readonly oldWhole?: boolean | undefined;
}

/** Corners of a vehicle with four wheels, as a line is said to belong to one. */
export const CORNERS = ['frontLeft', 'frontRight', 'rearLeft', 'rearRight'] as const;
export type VehicleCorner = (typeof CORNERS)[number];

export const HOLD_KINDS = ['supportWasher', 'bracket', 'springClip', 'pClip', 'guide'] as const;
export type HoldKind = (typeof HOLD_KINDS)[number];
/** What turns the screw of a hold. */
export const DRIVERS = ['slotted', 'crossHead', 'hexSocket', 'starSocket', 'hexHead'] as const;
export type Driver = (typeof DRIVERS)[number];
export interface PlanHold {
  readonly id: string;
  readonly kind: HoldKind;
  readonly line: string;
  readonly at: End | 'mid';
  /** The line goes through it: it lets go only where an end is free. */
  readonly closed: boolean;
  /** The end does not turn in it. */
  readonly keyed: boolean;
  /** Loose until the hose has found its lie. */
  readonly tighten: boolean;
}

export interface PlanLead {
  readonly id: string;
  readonly line: string;
  readonly side: string;
}
/** Bodywork over joints. */
export interface PlanCover {
  readonly id: string;
  readonly joints: readonly string[];
}

export const SEIZED_WAYS = ['turnHose', 'heat', 'cut'] as const;
export type SeizedWay = (typeof SEIZED_WAYS)[number];
export interface PlanChoices {
  readonly rhythm?: 'byCorner' | 'allOff' | 'auto' | undefined;
  readonly trialWashers?: 'on' | 'off' | 'auto' | undefined;
  readonly seizedWay?: Readonly<Record<string, SeizedWay | 'auto'>> | undefined;
}

/** The first steps that match, in this order. */
export interface PlanDemand {
  readonly id: string;
  readonly kind: 'before';
  readonly first: StepPattern;
  readonly then: StepPattern;
}

export interface PlanScope {
  readonly reservoirs: readonly PlanReservoir[];
  readonly circuits: readonly PlanCircuit[];
  readonly components: readonly PlanComponent[];
  readonly joints: readonly PlanJoint[];
  readonly lines: readonly PlanLine[];
  readonly holds: readonly PlanHold[];
  readonly leads: readonly PlanLead[];
  readonly covers: readonly PlanCover[];
  readonly choices: PlanChoices;
  readonly demands: readonly PlanDemand[];
  /** Steps taken, oldest first: facts, even where they broke a rule. */
  readonly done: readonly PlanStep[];
}
