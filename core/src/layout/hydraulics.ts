/**
 * The hydraulics of one circuit as they are entered, saved, exported and compared: parts with their ports, lines between
 * joints. `circuit.ts` holds what the simpler calculations need of it.
 */
import type { LineBuild } from '../hardLine/build.ts';
import type { EndGeometry } from '../fittings/end.ts';
import type { Seat } from '../fittings/seatForm.ts';
import type { FluidGrade } from '../fluid/grade.ts';
import type { JointTorque, PartTorque } from '../joint/governingTorque.ts';
import type { JointMaterial } from '../joint/washers.ts';
import type { SealKind } from '../joint/sealKind.ts';
import type { ThreadGender } from '../threads/thread.ts';
import type { Body } from './body.ts';
import type { ComponentKind } from './circuit.ts';
import type { WithKnown } from './known.ts';

export interface HydraulicComponent extends WithKnown {
  readonly id: string;
  readonly kind: ComponentKind;
  readonly name: string;
  readonly body: Body;
  /** A reservoir sits on its master, a nipple in its caliper. */
  readonly attachedTo: string | null;
  /** The part of another circuit that this one is: a tandem master, an ABS unit, a reservoir for two. */
  readonly sameAs?: string | null | undefined;
  readonly masterBore_m: number | null;
  readonly leverStroke_m: number | null;
  readonly leverRatio: number | null;
  /** Between the full mark and the minimum mark; reservoirs only. */
  readonly usable_m3: number | null;
  /** Above the floor; null takes what is usual for the body. */
  readonly height_m: number | null;
}

export interface HydraulicPort extends WithKnown {
  readonly id: string;
  readonly componentId: string;
  readonly name: string;
  readonly thread: string;
  readonly gender: ThreadGender;
  readonly seat: Seat;
  readonly depth_m: number | null;
  /** Metal that the washer lies on; null where nobody has looked. */
  readonly seatMaterial: JointMaterial | null;
}

export interface JointBolt {
  readonly thread: string;
  readonly diameter_m: number;
  /** Under the head to the tip. */
  readonly length_m: number;
  readonly material: JointMaterial;
}

export interface JointWasher {
  readonly material: JointMaterial;
  readonly thickness_m: number;
}

export interface HydraulicJoint extends WithKnown {
  readonly id: string;
  readonly portId: string;
  readonly componentId: string;
  readonly name: string;
  readonly seal: SealKind;
  readonly bolt: JointBolt | null;
  readonly washer: JointWasher | null;
  readonly eyeThickness_m: number | null;
  /** Across the flats of the bolt's head, the nut or the end; null until somebody has measured it. */
  readonly hexagon_m: number | null;
  readonly torque: JointTorque;
  /** Figures for other parts that may be in it, each with its source; `torque` is the kit’s where the hose maker gives it, else the vehicle’s. */
  readonly furtherTorques: readonly PartTorque[];
}

export const LINE_KINDS = ['hose', 'hardLine'] as const;
export type LineKind = (typeof LINE_KINDS)[number];

export const CONSTRUCTIONS = ['braided', 'rubber'] as const;
/** What a hose is made of: braided steel over a liner, or fabric and rubber. A hard line has neither. */
export type Construction = (typeof CONSTRUCTIONS)[number];

/** What a hard line is made of, as it was made here. */
export interface LineMade extends LineBuild {
  readonly outside_m: number;
}

/** A hose or a hard line between two joints. */
export interface HydraulicLine extends WithKnown {
  readonly id: string;
  readonly kind: LineKind;
  readonly name: string;
  readonly fromJointId: string;
  readonly toJointId: string;
  /** Between the sealing points, as fitted now. */
  readonly length_m: number;
  /** True until somebody has measured it: a starting pattern's length is only a place to begin. */
  readonly estimated: boolean;
  readonly bore_m: number;
  readonly construction: Construction;
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
  readonly clocking_rad: number | null;
  readonly madeOn: string | null;
  /** As printed along it; null where nobody has read it. */
  readonly marking: string | null;
  /** How far the line arches above the higher of its ends; null when it does not. */
  readonly rise_m: number | null;
  /** Of a hard line; left out or null where nobody has said. */
  readonly lineMade?: LineMade | null | undefined;
}

export interface Hydraulics {
  readonly name: string;
  readonly fluidGrade: FluidGrade;
  readonly components: readonly HydraulicComponent[];
  readonly ports: readonly HydraulicPort[];
  readonly joints: readonly HydraulicJoint[];
  readonly hoses: readonly HydraulicLine[];
}
