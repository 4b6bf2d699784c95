/**
 * The parts of a circuit as they are first put down: sensible ports, joints and ends for their kind, every figure an
 * estimate until somebody has looked. Ids come from outside, so that nothing here depends on chance.
 */
import type { EndGeometry } from '../fittings/end.ts';
import { exampleBanjo } from '../fittings/exampleEnds.ts';
import { EXAMPLE_THREADED, PLAIN_FLARE } from '../fittings/exampleThreaded.ts';
import type { EndKind } from '../fittings/seat.ts';
import type { Seat } from '../fittings/seatForm.ts';
import { END_FACTS } from '../fittings/seat.ts';
import type { ThreadGender } from '../threads/thread.ts';
import type { Body } from './body.ts';
import type { ComponentKind } from './circuit.ts';
import { ASSUMED_BY_PATTERN } from './known.ts';
import type {
  HydraulicComponent,
  HydraulicJoint,
  HydraulicLine,
  HydraulicPort,
  LineKind,
} from './hydraulics.ts';

export type NewId = () => string;

export const newComponent = (
  id: string,
  kind: ComponentKind,
  name: string,
  body: Body,
  facts: Partial<HydraulicComponent> = {},
): HydraulicComponent => ({
  id,
  kind,
  name,
  body,
  attachedTo: null,
  sameAs: null,
  masterBore_m: null,
  leverStroke_m: null,
  leverRatio: null,
  usable_m3: null,
  height_m: null,
  known: null,
  ...facts,
});

/** What a port of this part usually is, on a vehicle of motorcycle build; the part itself decides. */
const USUAL_THREAD = 'M10×1.0';

/** Thread and seat of the port that an end of this kind needs. */
export function portFor(end: EndKind): { readonly gender: ThreadGender; readonly seat: Seat } {
  const { port, seats } = END_FACTS[end];
  return { gender: port, seat: seats[0] ?? 'flatWasherFace' };
}

export interface NewJoint {
  readonly port: HydraulicPort;
  readonly joint: HydraulicJoint;
}

/** A port with the joint on it. A banjo gets bolt and washers for so many eyes. */
export function newJoint(
  newId: NewId,
  component: Pick<HydraulicComponent, 'id' | 'name'>,
  end: EndKind,
  options: { readonly name?: string; readonly thread?: string; readonly eyes?: number } = {},
): NewJoint {
  const name = options.name ?? component.name;
  const thread = options.thread ?? USUAL_THREAD;
  const parts = jointParts(end, thread, options.eyes ?? 1);
  const port: HydraulicPort = {
    id: newId(),
    componentId: component.id,
    name,
    thread,
    ...portFor(end),
    // Nobody has measured it yet.
    depth_m: null,
    seatMaterial: null,
    known: { thread: ASSUMED_BY_PATTERN, seat: ASSUMED_BY_PATTERN },
  };
  const joint: HydraulicJoint = {
    id: newId(),
    portId: port.id,
    componentId: component.id,
    name,
    hexagon_m: null,
    furtherTorques: [],
    ...parts,
  };
  return { port, joint };
}

/** What an end brings to its joint: its seal, bolt, washers and a torque that nobody vouches for yet. */
export function jointParts(
  end: EndKind,
  thread: string,
  eyes: number,
): Pick<HydraulicJoint, 'seal' | 'bolt' | 'washer' | 'eyeThickness_m' | 'torque' | 'known'> {
  const { seal, sealsBy } = END_FACTS[end];
  return {
    seal,
    bolt: seal === 'banjo' ? boltFor(thread, eyes) : null,
    washer:
      sealsBy === 'washers' || sealsBy === 'washer' ? { material: 'aluminium', thickness_m: 0.001 } : null,
    eyeThickness_m: seal === 'banjo' ? EYE_m : null,
    known: seal === 'banjo' ? { eyeThickness_m: ASSUMED_BY_PATTERN } : null,
    torque: TORQUE[seal],
  };
}

const EYE_m = 0.008;
/** Under the head: one eye 20 mm, two 29, three 38: each eye adds itself and a washer. */
export const boltFor = (thread: string, eyes: number): NonNullable<HydraulicJoint['bolt']> => ({
  thread,
  diameter_m: 0.01,
  length_m: 0.02 + (Math.max(1, eyes) - 1) * 0.009,
  material: 'aluminium',
});

/** Nobody vouches for these until the maker's sheet has been read: they have no source on purpose. */
const TORQUE: Readonly<Record<HydraulicJoint['seal'], HydraulicJoint['torque']>> = {
  banjo: { minimum_Nm: 18, maximum_Nm: 21, source: null, forBolt: null },
  flare: { minimum_Nm: 12, maximum_Nm: 17, source: null, forBolt: null },
  screwed: { minimum_Nm: 20, maximum_Nm: 26, source: null, forBolt: null },
};

/** The end of a line on a joint that seals so. */
export const endFor = (seal: HydraulicJoint['seal'], line: LineKind): EndGeometry =>
  line === 'hardLine' ? PLAIN_FLARE : seal === 'banjo' ? exampleBanjo(0) : EXAMPLE_THREADED;

export function newLine(
  id: string,
  kind: LineKind,
  name: string,
  from: HydraulicJoint,
  to: HydraulicJoint,
  length_m: number,
): HydraulicLine {
  return {
    id,
    kind,
    name,
    fromJointId: from.id,
    toJointId: to.id,
    length_m,
    estimated: true,
    bore_m: 0.0032,
    construction: 'braided',
    endA: endFor(from.seal, kind),
    endB: endFor(to.seal, kind),
    clocking_rad: null,
    madeOn: null,
    marking: null,
    rise_m: null,
    known: null,
  };
}
