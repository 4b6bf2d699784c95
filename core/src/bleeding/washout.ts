/**
 * How new fluid drives out old in a line: laminar flow runs twice as fast in the middle as on the mean, so that new fluid comes out
 * early and old fluid stays long along the wall (G. I. Taylor, Proc. Roy. Soc. A 219, 1953, without mixing; from memory).
 * The line at the nipple and the fluid in the line are two different ends: 99 % new at the nipple leaves 5 % old in the line.
 */
import { ratio, volume } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';

const OUTLET: Formula = { expression: 'new = 1 − 1/(4·θ²) from θ = ½', source: 'laminarFlush' };
const LEFT: Formula = { expression: 'old left = 1/(4·θ) from θ = ½, 1 − θ before', source: 'laminarFlush' };

export interface Washout {
  /** Of what comes out of the nipple just then. */
  readonly newAtNipple: number;
  /** Of what stands in the line. */
  readonly oldInLine: number;
}

/** After so many volumes of the line have passed. */
export function washout(lineVolumes: number): Result<Washout> {
  const refused = unphysical({ lineVolumes }, { notNegative: ['lineVolumes'] });
  if (refused) return problem(refused);
  const newAtNipple = lineVolumes < 0.5 ? 0 : 1 - 1 / (4 * lineVolumes ** 2);
  const oldInLine = lineVolumes < 0.5 ? 1 - lineVolumes : 1 / (4 * lineVolumes);
  const passed = term('θ', 'lineVolumes', ratio(lineVolumes));
  return calculated({ newAtNipple, oldInLine }, [
    { formula: OUTLET, inputs: [passed], result: term('new', 'newAtNipple', ratio(newAtNipple)) },
    { formula: LEFT, inputs: [passed], result: term('old left', 'oldInLine', ratio(oldInLine)) },
  ]);
}

export interface WashoutNeeded {
  /** Line volumes until the nipple runs so new, and until the line itself holds so much new. */
  readonly atNipple: number;
  readonly inLine: number;
  /** What perfect mixing and no mixing at all would take, to compare with. */
  readonly stirred: number;
  readonly plug: number;
}

/** For a share of new fluid, 0.5 to less than 1. */
export function washoutNeeded(wanted: number): Result<WashoutNeeded> {
  const refused = firstNotPositive({ wanted });
  if (refused) return problem(refused);
  if (wanted < 0.5 || wanted > 0.9999) return problem({ code: 'beyondTable', field: 'wanted' });
  const atNipple = 0.5 / Math.sqrt(1 - wanted);
  const inLine = 0.25 / (1 - wanted);
  return calculated({ atNipple, inLine, stirred: -Math.log(1 - wanted), plug: 1 }, [
    {
      formula: OUTLET,
      inputs: [term('new', 'newAtNipple', ratio(wanted))],
      result: term('θ', 'lineVolumes', ratio(atNipple)),
    },
    {
      formula: LEFT,
      inputs: [term('new', 'newAtNipple', ratio(wanted))],
      result: term('θ', 'lineVolumes', ratio(inLine)),
    },
  ]);
}

export interface LineSegment {
  readonly length_m: number;
  readonly bore_m: number;
}

/** Fluid in lines, cubic metres. */
export function lineVolume_m3(segments: readonly LineSegment[]): Result<number> {
  const refused = unphysical({ segments }, { positive: ['length_m', 'bore_m'] });
  if (refused) return problem(refused);
  const volume_m3 = segments.reduce(
    (sum, { length_m, bore_m }) => sum + (Math.PI / 4) * bore_m ** 2 * length_m,
    0,
  );
  return calculated(volume_m3, [
    {
      formula: { expression: 'V = Σ π/4·d²·L', source: 'boreVolume' },
      inputs: [],
      result: term('V', 'lineVolume', volume(volume_m3)),
    },
  ]);
}

const GRID = 4096;

/**
 * New in what comes out of lines one after the other whose flow mixes where they meet, after each of some volumes of the whole: the
 * residence times of all add up. Each line by itself as in `washout`.
 */
export function washoutMixed(
  segments: readonly LineSegment[],
  lineVolumes: readonly number[],
): readonly number[] {
  demand(
    unphysical({ segments, lineVolumes }, { positive: ['length_m', 'bore_m'], notNegative: ['lineVolumes'] }),
  );
  const volumes = segments.map(({ bore_m, length_m }) => bore_m ** 2 * length_m);
  const whole = volumes.reduce((sum, own) => sum + own, 0);
  const most = Math.max(...lineVolumes, 0) + 1e-9;
  const share = (at: number, own: number) => {
    const passed = (at * whole) / own;
    return passed < 0.5 ? 0 : 1 - 1 / (4 * passed ** 2);
  };
  // New by then, on a grid of passed volumes.
  let out = Float64Array.from({ length: GRID + 1 }, () => 1);
  for (const own of volumes) {
    const next = new Float64Array(GRID + 1);
    for (let at = 0; at <= GRID; at += 1)
      for (let part = 1; part <= at; part += 1) {
        const comes = share((part / GRID) * most, own) - share(((part - 1) / GRID) * most, own);
        if (comes > 0)
          next[at] = (next[at] ?? 0) + comes * (((out[at - part] ?? 0) + (out[at - part + 1] ?? 0)) / 2);
      }
    out = next;
  }
  return lineVolumes.map((at) => {
    const place = (at / most) * GRID;
    const before = Math.floor(place);
    return (
      (out[before] ?? 0) + (place - before) * ((out[Math.min(before + 1, GRID)] ?? 0) - (out[before] ?? 0))
    );
  });
}
