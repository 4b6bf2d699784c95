/** A circuit as it is drawn, as the simulator takes it: what the drawing does not say is assumed, and told. */
import type { Hydraulics, HydraulicComponent, HydraulicLine } from '../../layout/hydraulics.ts';
import { heightOf } from '../../layout/faults.ts';
import { ATMOSPHERE_Pa } from '../../hydraulics/leverTravel.ts';
import type { BleedNipple, BleedPart, BleedSystem } from './system.ts';
import { BRAKE_FLUID } from './system.ts';

/** Our estimates, each told where it is used. */
const FREE_TRAVEL_m = 0.0008;
const USABLE_m3 = 2.5e-5;
/** Room in a caliper. */
export const CALIPER_m3 = 2e-5;
const UNIT_m3 = 5e-6;
const PASSAGE_m3 = 1e-7;
const CALIPER_SWELL_m3_Pa = 6e-14;
const HOSE_SWELL_m3_Pa_m = 1.4e-13;
const NIPPLE = { bore_m: 0.0015, length_m: 0.012, discharge: 0.62 } as const;
/** Where a caliper is filled from, as a share of its height; and the place of a nipple that is not on top. */
const INLET = 0.4;
const LOW_NIPPLE = 0.75;

export type BleedAssumed = 'reservoir' | 'heights' | 'cavities' | 'nipples' | 'absUnit';
export type BleedMissing = 'master' | 'masterBore' | 'leverStroke' | 'leverRatio' | 'nipple';

export interface DrawnBrake {
  readonly system: BleedSystem;
  readonly assumed: readonly BleedAssumed[];
  /** Of each nipple, the component that it sits in. */
  readonly hosts: ReadonlyMap<string, string>;
}

/** Nipples of which somebody has said where they stand: below the top of their caliper, or at it. */
export interface BrakeSeen {
  readonly lowNipples: readonly string[];
  readonly topNipples: readonly string[];
}

const volumeOf = ({ kind }: HydraulicComponent): number =>
  kind === 'caliper' || kind === 'wheelCylinder' ? CALIPER_m3 : kind === 'absUnit' ? UNIT_m3 : PASSAGE_m3;

/** The part that a line gives fluid to or takes it from ends in: a line that arches is two. */
export const crestOf = (lineId: string): string => `${lineId} crest`;

function linesOf(line: HydraulicLine, from: string, start_m: number, end_m: number): readonly BleedPart[] {
  const own = (id: string, feeds: string, length_m: number, rise_m: number): BleedPart => ({
    kind: 'line',
    id,
    from: feeds,
    bore_m: line.bore_m,
    length_m,
    // No line rises by more than its length, whatever was said of heights.
    rise_m: Math.max(-length_m, Math.min(length_m, rise_m)),
    compliance_m3_Pa: line.kind === 'hose' ? HOSE_SWELL_m3_Pa_m * length_m : 0,
  });
  if (line.rise_m === null || line.rise_m <= 0) return [own(line.id, from, line.length_m, end_m - start_m)];
  const top_m = Math.max(start_m, end_m) + line.rise_m;
  return [
    own(crestOf(line.id), from, line.length_m / 2, top_m - start_m),
    own(line.id, crestOf(line.id), line.length_m / 2, end_m - top_m),
  ];
}

/** What keeps a circuit from being simulated; nothing where it can be. */
export function missingForBleeding({ components }: Hydraulics): readonly BleedMissing[] {
  const master = components.find(({ kind }) => kind === 'master');
  if (!master) return ['master'];
  return [
    ...(master.masterBore_m === null ? (['masterBore'] as const) : []),
    ...(master.leverStroke_m === null ? (['leverStroke'] as const) : []),
    ...(master.leverRatio === null ? (['leverRatio'] as const) : []),
    ...(components.some(({ kind }) => kind === 'bleedNipple') ? [] : (['nipple'] as const)),
  ];
}

/** Null where something is missing without which there is nothing to simulate. */
export function drawnBrake(
  circuit: Hydraulics,
  { lowNipples, topNipples }: BrakeSeen = { lowNipples: [], topNipples: [] },
): DrawnBrake | null {
  if (missingForBleeding(circuit).length > 0) return null;
  const { components, joints, hoses } = circuit;
  const master = components.find(({ kind }) => kind === 'master');
  if (!master) return null;
  const { masterBore_m, leverStroke_m, leverRatio } = master;
  if (masterBore_m === null || leverStroke_m === null || leverRatio === null) return null;
  const reservoir = components.find(
    ({ kind, attachedTo }) => kind === 'reservoir' && attachedTo === master.id,
  );
  const stroke_m = leverStroke_m / leverRatio;
  const componentOf = new Map(joints.map(({ id, componentId }) => [id, componentId]));
  const parts: BleedPart[] = [
    {
      kind: 'master',
      id: master.id,
      reservoir: 'reservoir',
      bore_m: masterBore_m,
      stroke_m,
      freeTravel_m: Math.min(FREE_TRAVEL_m, stroke_m / 4),
      dead_m3: PASSAGE_m3,
      height_m: heightOf(master),
      portResistance_Pa_s_m3: 1e8,
      sealOpening_Pa: 4000,
      sealResistance_Pa_s_m3: 2e9,
    },
  ];
  const reached = new Set([master.id]);
  // From the master on; a line that closes a ring is left out.
  for (let at = 0; at < parts.length; at += 1) {
    const here = parts[at];
    const component = components.find(({ id }) => id === here?.id);
    if (!component) continue;
    for (const line of hoses) {
      const ends = [componentOf.get(line.fromJointId), componentOf.get(line.toJointId)];
      if (!ends.includes(component.id)) continue;
      const other = components.find(({ id }) => id !== component.id && ends.includes(id));
      if (!other || reached.has(other.id)) continue;
      reached.add(other.id);
      parts.push(...linesOf(line, component.id, heightOf(component), heightOf(other)), {
        kind: 'cavity',
        id: other.id,
        from: line.id,
        volume_m3: volumeOf(other),
        compliance_m3_Pa: volumeOf(other) === CALIPER_m3 ? CALIPER_SWELL_m3_Pa : 0,
        inlet: volumeOf(other) === CALIPER_m3 ? INLET : 1,
        outlets: {},
      });
    }
  }
  const nipples = components.flatMap((nipple): BleedNipple[] => {
    const host = components.find(({ id }) => id === nipple.attachedTo);
    if (nipple.kind !== 'bleedNipple' || !host || !reached.has(host.id)) return [];
    return [
      {
        ...NIPPLE,
        id: nipple.id,
        on: host.id,
        height: lowNipples.includes(nipple.id) ? LOW_NIPPLE : 1,
        outlet_m: heightOf(host),
      },
    ];
  });
  if (nipples.length === 0) return null;
  const usable_m3 = reservoir?.usable_m3 ?? USABLE_m3;
  return {
    system: {
      fluid: BRAKE_FLUID,
      atmosphere_Pa: ATMOSPHERE_Pa,
      reservoirs: [{ id: 'reservoir', usable_m3, filled_m3: usable_m3, height_m: heightOf(master) + 0.02 }],
      parts,
      nipples,
    },
    assumed: [
      ...((reservoir?.usable_m3 ?? null) === null ? (['reservoir'] as const) : []),
      ...(components.some(({ id, height_m }) => reached.has(id) && height_m === null)
        ? (['heights'] as const)
        : []),
      'cavities',
      ...(nipples.some(({ id }) => !lowNipples.includes(id) && !topNipples.includes(id))
        ? (['nipples'] as const)
        : []),
      ...(components.some(({ id, kind }) => reached.has(id) && kind === 'absUnit')
        ? (['absUnit'] as const)
        : []),
    ],
    hosts: new Map(nipples.map(({ id, on }) => [id, on])),
  };
}
