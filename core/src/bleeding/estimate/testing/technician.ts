/**
 * Technicians at brakes whose air nobody knows but the test: they stroke, miss a stroke in their count, let go too early, look at the
 * tube and now and then take a soft and a firm pull with a rule and a gauge. Their brakes are simulated in fine steps, and drawn from other
 * chances than the estimate's own.
 */
import { bellOf, chance } from '../../../calculation/chance.ts';
import { airSqueezed } from '../../../hydraulics/leverTravel.ts';
import {
  advance,
  airLeft,
  bleeding,
  fillReservoir,
  moveLever,
  openNipple,
  passedAt,
  putAir,
  reservoirLeft,
} from '../../simulator/bleeding.ts';
import type { DrawnBrake } from '../../simulator/fromCircuit.ts';
import type { BleedPart } from '../../simulator/system.ts';
import { testBrake, testMaster, testNipple } from '../../simulator/testing/abuse.ts';
import type { BleedSeen } from '../estimate.ts';
import { airFromPulls } from '../pulls.ts';

const RATIO = 6;

interface Drawn {
  readonly brake: DrawnBrake;
  readonly dryLines: readonly string[];
}

const hose = (id: string, length_m: number, rise_m: number): BleedPart => ({
  kind: 'line',
  id,
  from: 'm',
  bore_m: 0.0032,
  length_m,
  rise_m,
  compliance_m3_Pa: 1.4e-13 * length_m,
});
const caliper = (id: string, from: string, volume_m3: number): BleedPart => ({
  kind: 'cavity',
  id,
  from,
  volume_m3,
  compliance_m3_Pa: 6e-14,
  inlet: 0.4,
  outlets: {},
});

const drawn = (parts: readonly BleedPart[], on: readonly string[]): Drawn => {
  const nipples = on.map((id) => testNipple({ id: `n-${id}`, on: id, outlet_m: -0.4 }));
  const system = testBrake(parts, nipples, {
    id: 'reservoir',
    usable_m3: 2.5e-5,
    filled_m3: 2.5e-5,
    height_m: 0.02,
  });
  return {
    brake: {
      system: {
        ...system,
        parts: system.parts.map((part) =>
          part.kind === 'master' ? { ...part, reservoir: 'reservoir' } : part,
        ),
      },
      assumed: [],
      hosts: new Map(nipples.map(({ id, on: host }) => [id, host])),
    },
    dryLines: parts.flatMap(({ id, kind }) => (kind === 'line' ? [id] : [])),
  };
};

/** A long hose down, a short one that rises, two calipers on one master. */
export const DRAWN: readonly Drawn[] = [
  drawn([testMaster(), hose('h', 0.9, -0.5), caliper('c', 'h', 2e-5)], ['c']),
  drawn([testMaster({ bore_m: 0.0127 }), hose('h', 0.5, 0.05), caliper('c', 'h', 1.2e-5)], ['c']),
  drawn(
    [
      testMaster({ bore_m: 0.016 }),
      hose('h1', 0.7, -0.5),
      caliper('c1', 'h1', 2e-5),
      hose('h2', 0.78, -0.5),
      caliper('c2', 'h2', 2e-5),
    ],
    ['c1', 'c2'],
  ),
];

export interface Worked {
  /** Which of the drawn brakes. */
  readonly at: number;
  readonly seen: readonly BleedSeen[];
  readonly truth_m3: number;
}

export function technician(seed: number): Worked {
  const next = chance(seed * 104_729 + 17);
  const between = (low: number, high: number) => low + next() * (high - low);
  const roll = next();
  const at = roll < 0.46 ? 0 : roll < 0.92 ? 1 : 2;
  const { brake, dryLines } = DRAWN[at] ?? { brake: DRAWN[0]?.brake, dryLines: [] };
  if (!brake) throw new Error('No brake');
  const system = {
    ...brake.system,
    parts: brake.system.parts.map((part) =>
      part.kind === 'cavity' ? { ...part, volume_m3: part.volume_m3 * between(0.7, 1.4) } : part,
    ),
    nipples: brake.system.nipples.map((nipple) => ({
      ...nipple,
      height: next() < 0.2 ? between(0.7, 0.9) : 1,
    })),
  };
  const bled = bleeding(system);
  for (const line of dryLines) putAir(bled, line, 1);
  for (const part of system.parts)
    if (part.kind === 'cavity') putAir(bled, part.id, 0.6 * (1 - Math.sqrt(next())) * part.volume_m3);
  const [master] = system.parts;
  if (master?.kind !== 'master') throw new Error('No master');
  const share = between(0.8, 1);
  const late = next() < 0.3 ? between(0.05, 0.35) : 0;
  const uncounted = between(0, 0.08);
  // Somebody asks in the middle of the work as often as at its end.
  const stops = 2 + Math.floor(next() ** 2 * 14);
  const pulls = next() < 0.6;
  const seen: BleedSeen[] = [];
  const stroke = (id: string): number => {
    const isLate = next() < late;
    const before = passedAt(bled, id).air_m3;
    openNipple(bled, id, 1);
    moveLever(bled, 'm', { to_m: master.stroke_m * share, speed_m_s: master.stroke_m / between(0.6, 1) });
    advance(bled, 1.1);
    if (!isLate) openNipple(bled, id, 0);
    moveLever(bled, 'm', { to_m: 0, speed_m_s: master.stroke_m / 0.4 });
    advance(bled, isLate ? between(0.1, 0.4) : 0.01);
    openNipple(bled, id, 0);
    advance(bled, 0.8);
    return passedAt(bled, id).air_m3 - before;
  };
  /** A soft pull and a firm one, with a rule and a gauge; what they cannot say they do not say. */
  const pull = () => {
    const read = (aimed_Pa: number) => {
      const squeezed = airSqueezed(aimed_Pa, 'isothermal');
      if (!squeezed.ok) throw new Error('No pressure');
      const compliance = 1.4e-13 + 6e-14;
      const moved_m3 = compliance * aimed_Pa + airLeft(bled) * squeezed.value;
      const area_m2 = (Math.PI / 4) * master.bore_m ** 2;
      return {
        pressure_Pa: aimed_Pa * (1 + 0.03 * bellOf(next)),
        lever_m: Math.max(1e-4, (RATIO * moved_m3) / area_m2 + 0.0005 * bellOf(next)),
      };
    };
    const told = airFromPulls({ masterBore_m: master.bore_m, leverRatio: RATIO }, read(1e6), read(6e6));
    if (told.ok) seen.push({ kind: 'pulls', air_m3: told.value.air_m3, error_m3: told.value.error_m3 });
  };
  let made = 0;
  const pullAt = Math.floor(next() * stops);
  for (const { id } of system.nipples) {
    let quiet = 0;
    while (quiet < 4 && made < stops) {
      if (made > 0 && made % 5 === 0) {
        fillReservoir(bled, 'reservoir', { add_m3: 2.5e-5 - reservoirLeft(bled, 'reservoir') });
        seen.push({ kind: 'topUp', nippleId: id });
      }
      const sent = stroke(id);
      if (next() < uncounted) stroke(id);
      seen.push({ kind: 'stroke', nippleId: id });
      const hasAir = next() < 0.05 ? next() < 0.5 : sent > 2e-8;
      seen.push({ kind: 'outflow', nippleId: id, hasAir });
      quiet = hasAir || made < 6 ? 0 : quiet + 1;
      made += 1;
      if (pulls && made === pullAt) pull();
    }
  }
  if (pulls && next() < 0.5) pull();
  return { at, seen, truth_m3: airLeft(bled) };
}
