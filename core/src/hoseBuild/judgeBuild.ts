/** What stands against a hose as it is to be built. */
import { judgeEye } from '../joint/parts.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { AlongPart, BuildSplit, EndFitting, EndFixing, HoseBuild } from './build.ts';
import { demand, unphysical } from '../calculation/physical.ts';

/** A clip that holds without crushing is up to one millimetre smaller than what it holds; our default, the clip's maker decides. */
export const CLIP_PINCH_m = { least: -0.001, most: 0 } as const;
/** Rounding of what was typed. */
const NOISE_m = 5e-7;

/** M27: an end that sits one way only, and nobody said how it lies to the other. */
export const judgeTab = (
  end: 'A' | 'B',
  { tab }: EndFitting,
  clocking_rad: number | null,
): readonly Caution[] => (tab && clocking_rad === null ? [{ id: 'M27', evidence: { end } }] : []);

/** M28: built within the time in which the maker changed over, and nobody has looked. */
export const judgeSplit = (split: BuildSplit | null): readonly Caution[] =>
  split !== null && !split.looked && split.builtOn >= split.from && split.builtOn <= split.to
    ? [{ id: 'M28', evidence: { builtOn: split.builtOn, from: split.from, to: split.to } }]
    : [];

/** M32: an end through a bracket with nothing that keeps it there. */
export const judgeBracket = (
  end: 'A' | 'B',
  { bracket, knurled, supportWasher }: EndFitting,
): readonly Caution[] => (bracket && !knurled && !supportWasher ? [{ id: 'M32', evidence: { end } }] : []);

/** M33: a clip that is loose on what it holds, or crushes it. Nothing is said of a clip that is not chosen yet. */
export function judgeClip({ kind, clip_m, outside_m }: AlongPart, hose_m: number): readonly Caution[] {
  if (kind !== 'clip' || clip_m === null) return [];
  const held_m = outside_m ?? hose_m;
  const pinch_m = clip_m - held_m;
  return pinch_m < CLIP_PINCH_m.least - NOISE_m || pinch_m > CLIP_PINCH_m.most + NOISE_m
    ? [{ id: 'M33', evidence: { clip_m, held_m, grommet: outside_m !== null } }]
    : [];
}

/** M36: ends that a hand screws on, on a vehicle for the road. What is lawful there is local. */
export const judgeFixing = (fixing: EndFixing, use: 'road' | 'competition'): readonly Caution[] =>
  fixing === 'screwed' && use === 'road' ? [{ id: 'M36', evidence: {} }] : [];

export interface BuildSetting {
  readonly use: 'road' | 'competition';
  readonly clocking_rad: number | null;
  /** Over the thread; null where no bolt goes through. */
  readonly boltA_m: number | null;
  readonly boltB_m: number | null;
}

export function judgeBuild(
  build: HoseBuild,
  { use, clocking_rad, boltA_m, boltB_m }: BuildSetting,
): readonly Caution[] {
  demand(
    unphysical(
      { ...build, clocking_rad, boltA_m, boltB_m },
      {
        positive: ['bore_m', 'outside_m', 'clip_m', 'eyeBore_m', 'boltA_m', 'boltB_m'],
        notNegative: ['tolerance_m', 'length_m'],
      },
    ),
  );
  const eye = ({ eyeBore_m }: EndFitting, bolt_m: number | null) =>
    eyeBore_m === null || bolt_m === null ? [] : judgeEye(eyeBore_m, bolt_m);
  const { endA, endB, along, outside_m, split, fixing } = build;
  return [
    ...eye(endA, boltA_m),
    ...eye(endB, boltB_m),
    ...judgeTab('A', endA, clocking_rad),
    ...judgeTab('B', endB, clocking_rad),
    ...judgeBracket('A', endA),
    ...judgeBracket('B', endB),
    ...along.flatMap((part) => judgeClip(part, outside_m)),
    ...judgeSplit(split),
    ...judgeFixing(fixing, use),
  ];
}
