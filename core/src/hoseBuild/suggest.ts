/** A hose's build to start from, out of what is known, and why each of its figures is what it is. */
import type { EndGeometry, TakeOffSource } from '../fittings/end.ts';
import type { AlongPart, EndFitting, HoseBuild } from './build.ts';
import type { FreeHose } from './places.ts';
import { freeHose, inOrder, kept, placeFaults } from './places.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import { endProblem } from '../fittings/lengthDatum.ts';

/** Where a figure comes from: the hose on the vehicle, its bolt, the kept route, or our own example. */
export const BUILD_REASONS = ['fitted', 'bolt', 'route', 'example', 'usual'] as const;
export type BuildReason = (typeof BUILD_REASONS)[number];

export interface BuildFacts {
  readonly hoseName: string;
  /** Of the hose that is on it. */
  readonly bore_m: number;
  /** Between the sealing points: measured, or as fitted. */
  readonly length_m: number;
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
  readonly boltA_m: number | null;
  readonly boltB_m: number | null;
  /** What the kept route holds and covers the hose with, and where still parts come too near; null without one. */
  readonly route: {
    readonly outside_m: number;
    readonly figuresFrom?: TakeOffSource | undefined;
    readonly clips: readonly { readonly id: string; readonly at_m: number }[];
    readonly stiffeners: readonly {
      readonly id: string;
      readonly from_m: number;
      readonly length_m: number;
    }[];
    readonly sleeves: readonly {
      readonly id: string;
      readonly from_m: number;
      readonly length_m: number;
      readonly outside_m: number;
    }[];
    readonly contacts: readonly { readonly part: string; readonly at_m: number }[];
  } | null;
}

export interface SuggestedBuild {
  readonly build: HoseBuild;
  readonly reasons: {
    readonly bore: BuildReason;
    readonly outside: BuildReason;
    readonly eyes: BuildReason;
    readonly rest: BuildReason;
  };
}

/** Examples of ours: a liner of 3.2 mm under steel braid and a clear cover; the hose maker's sheet replaces them. */
const OUTSIDE_m = 0.0075;
const TOLERANCE_m = 0.003;
/** Play of an eye on its bolt. */
const EYE_PLAY_m = 0.0002;
/** A label at both ends under clear shrink tube, near enough to read and clear of the ferrule. */
const LABEL_m = 0.03;
const LABEL_GAP_m = 0.02;
/** How far from its end a label is looked a place for. */
const STEP_m = 0.005;
const STEPS = 60;
const SHEATH_m = 0.06;
const SHEATH_WALL_m = 0.0015;
/** A clip one size that pinches: the millimetre above would be loose. */
const sizeOfClip_m = (held_m: number): number => Math.floor(held_m * 1000 + 1e-6) / 1000;

/** What any end starts as. */
const endFitting = (end: EndGeometry, bolt_m: number | null): EndFitting => ({
  material: 'stainless',
  bendPlane: 'acrossEye',
  direction_rad: null,
  eyeBore_m: end.family === 'banjo' && bolt_m !== null ? bolt_m + EYE_PLAY_m : null,
  turnable: null,
  tab: false,
  bracket: false,
  knurled: false,
  supportWasher: false,
});

type GivenPart = Pick<AlongPart, 'id' | 'kind' | 'from_m' | 'because'> & Partial<AlongPart>;

/** A part kept between the ferrules, with what nobody has said of it left open. */
function placed(free: FreeHose, given: GivenPart): AlongPart {
  const whole = { length_m: 0, outside_m: null, clip_m: null, note: '', ...given };
  const own_m = Math.min(whole.length_m, Math.max(0, free.to_m - free.from_m));
  return { ...whole, length_m: own_m, from_m: kept(whole.from_m, own_m, free) };
}

/** What the kept route holds and covers the hose with, and a sheath where still parts come too near. */
function heldParts(route: BuildFacts['route'], outside_m: number, free: FreeHose): readonly AlongPart[] {
  const { clips = [], stiffeners = [], sleeves = [], contacts = [] } = route ?? {};
  const parts: readonly GivenPart[] = [
    ...clips.map(({ id, at_m }): GivenPart => ({
      id: `clip ${id}`,
      kind: 'clip',
      from_m: at_m,
      clip_m: sizeOfClip_m(outside_m),
      because: 'route',
    })),
    ...stiffeners.map(({ id, from_m, length_m }): GivenPart => ({
      id: `stiffener ${id}`,
      kind: 'stiffener',
      from_m,
      length_m,
      because: 'route',
    })),
    ...sleeves.map((sleeve): GivenPart => ({
      id: `sleeve ${sleeve.id}`,
      kind: 'sleeve',
      from_m: sleeve.from_m,
      length_m: sleeve.length_m,
      outside_m: sleeve.outside_m,
      because: 'route',
    })),
    ...contacts.map(({ part: name, at_m }): GivenPart => ({
      id: `sheath ${name}`,
      kind: 'sheath',
      from_m: at_m - SHEATH_m / 2,
      length_m: SHEATH_m,
      outside_m: outside_m + 2 * SHEATH_WALL_m,
      note: name,
      because: 'contact',
    })),
  ];
  return parts.map((part) => placed(free, part));
}

/** A label near its end: at the first place where it lies on nothing that it cannot lie on. */
function labelAt(end: 'A' | 'B', note: string, held: readonly AlongPart[], free: FreeHose): AlongPart {
  const given = { id: `label ${end}`, kind: 'label', length_m: LABEL_m, note, because: 'usual' } as const;
  const [from_m, step_m] =
    end === 'A' ? [free.from_m + LABEL_GAP_m, STEP_m] : [free.to_m - LABEL_GAP_m - LABEL_m, -STEP_m];
  const places = Array.from({ length: STEPS }, (_none, step) =>
    placed(free, { ...given, from_m: from_m + step * step_m }),
  );
  return (
    places.find((place) => placeFaults([...held, place], free).every(({ id }) => id !== place.id)) ??
    placed(free, { ...given, from_m })
  );
}

export function suggestBuild(facts: BuildFacts): SuggestedBuild {
  demand(
    firstNotPositive({ length_m: facts.length_m, bore_m: facts.bore_m }) ??
      endProblem(facts.endA, 'endA') ??
      endProblem(facts.endB, 'endB') ??
      unphysical(facts, {
        positive: ['boltA_m', 'boltB_m', 'outside_m'],
        notNegative: ['length_m', 'from_m', 'at_m'],
      }),
  );
  const { hoseName, bore_m, length_m, endA, endB, boltA_m, boltB_m, route } = facts;
  const outside_m = route?.outside_m ?? OUTSIDE_m;
  const free = freeHose(length_m, endA, endB);
  const held = heldParts(route, outside_m, free);
  const along = [...held, labelAt('A', hoseName, held, free), labelAt('B', hoseName, held, free)];
  return {
    build: {
      bore_m,
      outside_m,
      outsideFrom: route ? route.figuresFrom : 'example',
      liner: 'ptfe',
      braid: 'stainless',
      cover: 'clear',
      tolerance_m: TOLERANCE_m,
      fixing: 'crimped',
      madeHere: false,
      endA: endFitting(endA, boltA_m),
      endB: endFitting(endB, boltB_m),
      along: inOrder(along),
      split: null,
    },
    reasons: {
      bore: 'fitted',
      outside: route ? 'route' : 'example',
      eyes: 'bolt',
      rest: 'example',
    },
  };
}
