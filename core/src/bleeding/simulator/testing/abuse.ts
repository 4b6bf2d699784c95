/** Random brakes, and hands that do anything to them: for tests and for the benchmark. */
import type { Bleeding } from '../bleeding.ts';
import { bleeding, fillReservoir, moveLever, openNipple, putAir, setOutlet } from '../bleeding.ts';
import { OUTLETS } from '../state.ts';
import { chance } from '../../../calculation/chance.ts';
import type { BleedNipple, BleedPart, BleedSystem } from '../system.ts';
import { BRAKE_FLUID } from '../system.ts';

export type Random = () => number;

export const testMaster = (over: object = {}): BleedPart => ({
  kind: 'master',
  id: 'm',
  reservoir: 'r',
  bore_m: 0.014,
  stroke_m: 0.012,
  freeTravel_m: 0.0008,
  dead_m3: 1e-7,
  height_m: 0,
  portResistance_Pa_s_m3: 1e8,
  sealOpening_Pa: 4000,
  sealResistance_Pa_s_m3: 2e9,
  ...over,
});
export const testNipple = (over: Partial<BleedNipple> & Pick<BleedNipple, 'on'>): BleedNipple => ({
  id: 'n',
  height: 1,
  bore_m: 0.0015,
  length_m: 0.012,
  discharge: 0.62,
  outlet_m: 0,
  ...over,
});
export const testBrake = (
  parts: readonly BleedPart[],
  nipples: readonly BleedNipple[],
  reservoir: object = {},
): BleedSystem => ({
  fluid: BRAKE_FLUID,
  atmosphere_Pa: 101_325,
  reservoirs: [{ id: 'r', usable_m3: 1e-3, filled_m3: 1e-3, height_m: 0, ...reservoir }],
  parts,
  nipples,
});

export function randomBrake(seed: number): { readonly bled: Bleeding; readonly random: Random } {
  const random = chance(seed);
  const pick = <One>(list: readonly [One, ...One[]]): One =>
    list[Math.floor(random() * list.length)] ?? list[0];
  const parts: BleedPart[] = [testMaster({ height_m: 0.5 + random() })];
  const nipples: BleedNipple[] = [];
  const ends = ['m'];
  const many = 2 + Math.floor(random() * 6);
  for (let at = 0; at < many; at += 1) {
    const length_m = 0.1 + random() * 1.5;
    parts.push({
      kind: 'line',
      id: `l${at}`,
      from: ends[Math.floor(random() * ends.length)] ?? 'm',
      bore_m: pick([0.002, 0.0032, 0.0048, 0.006]),
      length_m,
      rise_m: (random() * 2 - 1) * length_m,
      compliance_m3_Pa: random() < 0.5 ? 0 : 1.4e-13 * length_m,
    });
    parts.push({
      kind: 'cavity',
      id: `c${at}`,
      from: `l${at}`,
      volume_m3: pick([1e-7, 5e-6, 3e-5]),
      compliance_m3_Pa: random() * 6e-14,
      inlet: random(),
      outlets: random() < 0.5 ? {} : { [`l${at + 1}`]: random() },
    });
    ends.push(`c${at}`);
    nipples.push(testNipple({ id: `n${at}`, on: `c${at}`, height: random() }));
  }
  const bled = bleeding(
    testBrake(parts, nipples, { usable_m3: 1e-4, filled_m3: random() * 1e-4, height_m: 1 + random() }),
  );
  for (const { id, kind } of parts)
    if (kind !== 'master' && random() < 0.4) putAir(bled, id, random() * 1e-5, { from_m: random() * 0.3 });
  return { bled, random };
}

/** Does one thing; returns what was poured in, less what was sucked out. */
export function abuse(bled: Bleeding, random: Random): number {
  const { nipples } = bled.layout.system;
  const nipple = nipples[Math.floor(random() * nipples.length)]?.id ?? '';
  const which = random();
  if (which < 0.4)
    moveLever(bled, 'm', {
      to_m: random() * 0.012,
      speed_m_s: 0.001 + random() * 0.1,
      limit_Pa: random() < 0.5 ? 1e9 : 1e4 + random() * 8e6,
    });
  else if (which < 0.7) openNipple(bled, nipple, random() < 0.5 ? 0 : random());
  else if (which < 0.85)
    setOutlet(bled, nipple, {
      kind: OUTLETS[Math.floor(random() * OUTLETS.length)] ?? 'bottle',
      below_Pa: random() * 9e4,
      pot_m3: 1e-4,
      push_m3_s: random() * 1e-6,
    });
  else if (which < 0.95) {
    const before = bled.state.left_m3[0] ?? 0;
    fillReservoir(bled, 'r', {
      add_m3: random() * 1e-4 - 3e-5,
      over_Pa: random() < 0.3 ? random() * 1e5 : 0,
    });
    return (bled.state.left_m3[0] ?? 0) - before;
  }
  return 0;
}
