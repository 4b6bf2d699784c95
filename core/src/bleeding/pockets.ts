/** Air that flushing does not move: above a low nipple, in a pocket, in the falling leg of a crest, in solution overnight. */
import { demand, unphysical } from '../calculation/physical.ts';
import { head_Pa } from './flow.ts';

export interface TiltedBox {
  readonly length_m: number;
  readonly height_m: number;
  readonly width_m: number;
  /** On its top face. */
  readonly nippleFromLeft_m: number;
  /** Its right end raised by so much. */
  readonly raised_rad: number;
}

/** Of a box with its nipple on the top face, the room above the level plane through the nipple, m³. */
export function tiltedPocket(box: TiltedBox): number {
  demand(
    unphysical(box, { positive: ['length_m', 'height_m', 'width_m'], notNegative: ['nippleFromLeft_m'] }),
  );
  const { length_m, height_m, width_m, nippleFromLeft_m, raised_rad } = box;
  const up = ([x, y]: readonly [number, number]) => x * Math.sin(raised_rad) + y * Math.cos(raised_rad);
  const level = up([nippleFromLeft_m, height_m]);
  const corners: readonly (readonly [number, number])[] = [
    [0, 0],
    [length_m, 0],
    [length_m, height_m],
    [0, height_m],
  ];
  const above: (readonly [number, number])[] = [];
  for (const [index, here] of corners.entries()) {
    const next = corners[(index + 1) % 4] ?? here;
    const [a, b] = [up(here) - level, up(next) - level];
    if (a >= 0) above.push(here);
    if (a >= 0 !== b >= 0) {
      const share = a / (a - b);
      above.push([here[0] + share * (next[0] - here[0]), here[1] + share * (next[1] - here[1])]);
    }
  }
  const twice = above.reduce((sum, [x, y], index) => {
    const [nextX, nextY] = above[(index + 1) % above.length] ?? [x, y];
    return sum + x * nextY - nextX * y;
  }, 0);
  return (Math.abs(twice) / 2) * width_m;
}

/** Air at atmosphere under a gauge pressure, m³: how well it hides. */
export const squeezedTo = (air_m3: number, pressure_Pa: number, atmosphere_Pa: number): number => {
  demand(unphysical({ air_m3, pressure_Pa, atmosphere_Pa }, { positive: ['atmosphere_Pa'] }));
  return (air_m3 * atmosphere_Pa) / (atmosphere_Pa + pressure_Pa);
};

/**
 * What a vacuum leaves in a pocket that opens downwards: its air grows, what does not fit leaves, and the rest shrinks again. Once more
 * takes no more.
 */
export function afterVacuum(
  air_m3: number,
  pocket_m3: number,
  vacuum_Pa: number,
  atmosphere_Pa: number,
): number {
  demand(
    unphysical({ air_m3, pocket_m3, vacuum_Pa, atmosphere_Pa }, { positive: ['vacuum_Pa', 'atmosphere_Pa'] }),
  );
  return Math.min(air_m3, (pocket_m3 * vacuum_Pa) / atmosphere_Pa);
}

export interface Leg {
  /** From the reservoir on; up is positive. */
  readonly rise_m: number;
  readonly contents: 'liquid' | 'air';
}
/** What drives fluid through lines over a crest, Pa: only columns of liquid count. Below nothing, nothing flows by itself. */
export function drive_Pa(legs: readonly Leg[], density_kg_m3: number): number {
  demand(unphysical({ legs, density_kg_m3 }, { positive: ['density_kg_m3'] }));
  return legs.reduce(
    (sum, { rise_m, contents }) => sum - (contents === 'liquid' ? head_Pa(rise_m, { density_kg_m3 }) : 0),
    0,
  );
}

export interface Dissolving {
  readonly diffusion_m2_s: number;
  /** Volume of gas in a volume of fluid, at the same pressure. */
  readonly solubility: number;
  /** Of the fluid far off, at atmosphere: 1 is full. */
  readonly saturation: number;
  readonly pressure_Pa: number;
  readonly atmosphere_Pa: number;
}

/**
 * A small bubble under a tied lever: its radius there, and how long it lasts (P. S. Epstein, M. S. Plesset, J. Chem. Phys. 18, 1950,
 * quasi-steady; from memory). An order of magnitude: good to a factor of three at best.
 */
export function bubbleLife(
  radius_m: number,
  in_: Dissolving,
): { readonly radius_m: number; readonly life_s: number } {
  demand(
    unphysical(
      { radius_m, ...in_ },
      { positive: ['radius_m', 'diffusion_m2_s', 'solubility', 'atmosphere_Pa'] },
    ),
  );
  const absolute_Pa = in_.pressure_Pa + in_.atmosphere_Pa;
  const small_m = radius_m * Math.cbrt(in_.atmosphere_Pa / absolute_Pa);
  const full = (in_.saturation * in_.atmosphere_Pa) / absolute_Pa;
  return {
    radius_m: small_m,
    life_s: small_m ** 2 / (2 * in_.diffusion_m2_s * in_.solubility * (1 - full)),
  };
}

/** What a long bubble in a line loses through its two faces, m³ at atmosphere: 2·√(D·t/π) deep each. */
export function lostByFaces(bore_m: number, seconds: number, in_: Dissolving): number {
  demand(unphysical({ bore_m, seconds, ...in_ }, { positive: ['bore_m'], notNegative: ['seconds'] }));
  const absolute_Pa = in_.pressure_Pa + in_.atmosphere_Pa;
  const full = (in_.saturation * in_.atmosphere_Pa) / absolute_Pa;
  const deep_m = 2 * Math.sqrt((in_.diffusion_m2_s * seconds) / Math.PI);
  const face_m2 = (Math.PI / 4) * bore_m ** 2;
  return 2 * face_m2 * deep_m * in_.solubility * (1 - full) * (absolute_Pa / in_.atmosphere_Pa);
}
