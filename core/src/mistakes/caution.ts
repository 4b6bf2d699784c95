/**
 * Cautions: entries of the mistake catalogue together with what gave them away.
 * One caution per fact, raised where the mistake would be made, gone when the fact changes.
 */
import type { FlareForm, FlareLooks } from '../hardLine/forms.ts';
import type { Lubricant, MakeUpStepKind, MetalPair } from '../makeUp/makeUpFacts.ts';
import type { Condition } from '../condition/condition.ts';
import type { WrenchVerdict } from '../fittings/wrenchVerdict.ts';
import type { Seat } from '../fittings/seatForm.ts';
import type { UnitId } from '../units/unitId.ts';
import type { Pose } from '../measure/pose.ts';
import type { TorquePart } from '../joint/torquePart.ts';
import type { SealKind } from '../joint/sealKind.ts';
import type { Nature } from '../route/sceneParts.ts';
import type { JointFact, Origin } from '../layout/known.ts';
import type { StepKind } from '../procedure/plan/steps.ts';

/** What each caution rests on. Lengths in metres, torques in newton metres, dates ISO 8601. */
export interface CautionEvidence {
  M01: { readonly pose: Pose; readonly remainingTravel_m: number };
  M02: { readonly open: readonly ('controls' | 'brackets')[] };
  /** Between the sealing points; nobody said which points the supplier joins. */
  M03: { readonly length_m: number };
  /** `unit` is null where none was typed. */
  M04: {
    readonly number: number;
    readonly unit: UnitId | null;
    readonly couldBe: readonly { readonly unit: UnitId; readonly length_m: number }[];
  };
  M05: {
    readonly spare_m: number | null;
    /** Where the route was solved: what the loop comes too near to. */
    readonly loop: { readonly part: string; readonly gap_m: number } | null;
  };
  M06: { readonly missing: readonly ('leftLock' | 'rightLock')[] };
  M07: Record<never, never>;
  /** `bends` is null where nobody counted them. */
  M08: { readonly bends: number | null; readonly least_m: number; readonly added_m: number };
  M09: {
    readonly pose: Pose;
    readonly readings: number;
    readonly spread_m: number;
    /** The one that stands apart from the others, where one does. */
    readonly odd_m: number | null;
  };
  M10: { readonly radius_m: number; readonly least_m: number };
  M11: {
    readonly from: string;
    readonly to: string;
    readonly moves_m: number;
    readonly chord_m: number;
    readonly free_m: number;
  };
  M12: { readonly clip: string; readonly travel_m: number };
  M13: {
    readonly short_m: number;
    /** What it eats: the longest pose itself, or only how far that may be wrong. */
    readonly eaten: 'pose' | 'uncertainty';
    readonly uncertainty_m: number;
  };
  M14: Record<never, never>;
  M15: {
    readonly part: string;
    readonly nature: Nature;
    readonly gap_m: number;
    readonly wanted_m: number;
  };
  M16: { readonly part: string; readonly gap_m: number };
  M17: { readonly lift_m: number };
  /** `turn_rad` is null where no turn of the end clears it. */
  M18: { readonly part: string; readonly turn_rad: number | null };
  M101: Record<never, never>;
  /** Figures that are only assumed, and what they rest on. */
  M102: {
    readonly facts: readonly (JointFact | 'takeOff' | 'outside' | 'bendRadius')[];
    readonly from: readonly Origin[];
  };
  M104: Record<never, never>;
  M19: Record<never, never>;
  M20: { readonly portThread: string; readonly boltThread: string };
  M21: { readonly certain: boolean; readonly other: string };
  M22: {
    readonly crests: number;
    /** What it is if they were crests. */
    readonly thread: string;
    /** What it is if they were gaps; null where nothing is. */
    readonly typed: string | null;
  };
  M23: { readonly bore_m: number; readonly thread: string };
  M24: { readonly bore_m: number; readonly threads: readonly string[] };
  M25: { readonly eye_m: number; readonly bolt_m: number };
  /** `form`: of the pipe that ends there. */
  M26: { readonly portSeat: Seat; readonly seal: SealKind; readonly form?: FlareForm };
  M27: { readonly end: 'A' | 'B' };
  /** ISO 8601 dates. */
  M28: { readonly builtOn: string; readonly from: string; readonly to: string };
  M29: { readonly engaged_m: number; readonly wanted_m: number };
  M30: { readonly bottomGap_m: number };
  M31: Record<never, never>;
  M32: { readonly end: 'A' | 'B' };
  M33: { readonly clip_m: number; readonly held_m: number; readonly grommet: boolean };
  M34: { readonly hexagon_m: number; readonly wrench_m: number; readonly verdict: WrenchVerdict };
  /** Caps and plugs counted in and counted out again. */
  M35: { readonly put: number; readonly out: number };
  M36: Record<never, never>;
  M37: Record<never, never>;
  M38: { readonly step: MakeUpStepKind; readonly first: MakeUpStepKind };
  M39: { readonly end: 'A' | 'B' };
  M40: { readonly end: 'A' | 'B'; readonly short_m: number };
  M41: {
    readonly end: 'A' | 'B';
    readonly pair: MetalPair;
    readonly used: Lubricant;
    readonly wanted: Lubricant;
  };
  M42: {
    readonly end: 'A' | 'B';
    readonly gap_m: number;
    readonly wanted_m: number;
    /** Turned further than home, or left out. */
    readonly turned: 'tooFar' | 'notFar';
  };
  M43: { readonly end: 'A' | 'B' };
  /** As cut, and what the line takes. */
  M44: { readonly cut_m: number; readonly needed_m: number };
  /** On the tube before the second end was closed. */
  M45: { readonly nuts: number };
  M46: { readonly end: 'A' | 'B'; readonly form: FlareForm };
  M47: Record<never, never>;
  /** Counted from 0. */
  M48: { readonly bend: number };
  M49: { readonly end: 'A' | 'B'; readonly looks: FlareLooks };
  M50: { readonly strokesLeft: number; readonly abs: boolean };
  M57: { readonly needed: number; readonly confirmed: number };
  M58: {
    readonly part: 'eye' | 'seat' | 'bolt';
    readonly partMaterial: string;
    readonly washerMaterial: string;
  };
  /** What was left out before it. */
  /** What it was cleaned with; null where nobody has said. */
  M52: { readonly cleaner: string | null };
  M53: Record<never, never>;
  M56: {
    readonly turned_rad: number;
    readonly twist_rad_per_m: number;
    readonly most_rad_per_m: number;
  };
  M59: { readonly needed: number };
  M62: Record<never, never>;
  M63: { readonly before: StepKind };
  M64: { readonly before: StepKind };
  M65: Record<never, never>;
  /** Where the lead was plugged in, and where it lay before. */
  M66: { readonly side: string; readonly was: string };
  /** Null where nobody has measured. */
  M67: { readonly out_m: number | null; readonly in_m: number | null };
  /** Seen to be lower, or drawn so; neither where nobody has looked since mount bolts were undone. */
  M68: { readonly isSeen: boolean; readonly isDrawnLow: boolean };
  M69: Record<never, never>;
  M70: {
    readonly part: TorquePart;
    readonly minimum_Nm: number;
    readonly maximum_Nm: number;
    /** The part that the other figure is for. */
    readonly usedFor: TorquePart;
    readonly bolt: string | null;
    /** Metal of the bolt that the governing figure was given for. */
    readonly forBolt: string | null;
  };
  M71: { readonly reading_Nm: number; readonly maximum_Nm: number };
  M72: {
    readonly lowest_Nm: number;
    readonly highest_Nm: number;
    /** Whether the torque lies between the two; one that is in range was calibrated too long ago. */
    readonly isInRange: boolean;
    readonly calibratedOn?: string;
  };
  /** What the wrench has to be set to with its crowfoot, instead of the range of the joint. */
  M73: {
    readonly setLow_Nm: number;
    readonly setHigh_Nm: number;
    readonly minimum_Nm: number;
    readonly maximum_Nm: number;
  };
  M74: Record<never, never>;
  M75: { readonly asked: string; readonly offered: string };
  M76: Record<never, never>;
  M77: { readonly asked: string; readonly offered: string };
  M78: { readonly openedOn: string; readonly months: number };
  M79: Record<never, never>;
  M85: { readonly before: StepKind };
  /** Nobody has held and read it; or for too short a time. */
  M80: Record<never, never>;
  M81: Record<never, never>;
  /** Names of the nipples, in the order that is asked for, and by whom. */
  M82: { readonly order: readonly string[]; readonly maker: boolean };
  M83: { readonly pressure_Pa: number; readonly most_Pa: number };
  M84: Record<never, never>;
  M86: { readonly cleaned: boolean };
  /** At one pressure: what was read, and the most that hoses, fluid and pads explain, four fifths of its way, or what was read before the work. */
  M87: {
    readonly travel_m: number;
    readonly most_m: number;
    readonly pressure_Pa: number;
    readonly against: 'expected' | 'bar' | 'before';
  };
  /** Pumped through, and what the circuit holds by its drawing. */
  M88: { readonly pumped_m3: number; readonly holds_m3: number };
  /** Seen to be empty, or only by the count; cycled since, and not flushed after it. */
  M89: { readonly by: 'seen' | 'count'; readonly cycled: boolean };
  M90: { readonly was: 'on' | 'off' | null; readonly asked: 'on' | 'off' | null };
  M91: { readonly read: 'none' | 'tooShort' | 'before' };
  M92: { readonly before: StepKind };
  M93: Record<never, never>;
  M94: { readonly abs: boolean };
  M95: Record<never, never>;
  M96: { readonly missing: readonly string[] };
  /** `subject` where it was found on a joint. */
  M97: { readonly name: string; readonly condition: Condition; readonly subject?: 'joint' };
  M99: Record<never, never>;
  M110: { readonly forced: boolean };
}

export type CautionId = keyof CautionEvidence;

export type Caution = {
  [Id in CautionId]: {
    readonly id: Id;
    readonly evidence: CautionEvidence[Id];
    /** What it is about, where one judgement looks at several: the name of the joint. */
    readonly subject?: string;
  };
}[CautionId];
