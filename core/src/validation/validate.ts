/** Reference cases through the core, and how far off it is. Used by the reference tests and by `npm run validate`. */
import type { Adapter, Answers, Value } from './adapter.ts';
import { Refused } from './adapter.ts';
import { bleedAdapters } from './adapters/bleed.ts';
import { datumAdapters } from './adapters/datums.ts';
import { fluidAdapters } from './adapters/fluid.ts';
import { hydraulicsAdapters } from './adapters/hydraulics.ts';
import { jointAdapters } from './adapters/joint.ts';
import { routeAdapters } from './adapters/route.ts';
import { threadAdapters } from './adapters/threads.ts';
import type { Fields, ReferenceCase } from './case.ts';
import { NotPhysical } from '../calculation/physical.ts';

/** What needs more inputs comes before what needs fewer of the same. */
const ADAPTERS: readonly Adapter[] = [
  ...threadAdapters,
  ...jointAdapters,
  ...hydraulicsAdapters,
  ...fluidAdapters,
  ...bleedAdapters,
  ...routeAdapters,
  ...datumAdapters,
].sort((a, b) => b.needs.length - a.needs.length);

/** Closed forms agree to the last digits that a file gives. */
const CLOSED_FORM = 1e-8;

const isTagged = ({ kind, group }: Adapter, tags: readonly string[]): number => {
  const words = tags.join(' ').toLowerCase();
  return (tags.includes(kind) ? 2 : 0) + Number(group.split(' ').some((word) => words.includes(word)));
};

/** The adapter for a case: of those whose inputs it has, the one that its tags name best; null where the core has no such function. */
export function adapterFor({ tags, inputs }: ReferenceCase): Adapter | null {
  const able = ADAPTERS.filter(({ needs }) => needs.every((name) => name in inputs));
  // A group that is known leaves out the adapters of all others: pressures are given in several.
  const own = able.filter((adapter) => isTagged(adapter, tags) > 0);
  return own.toSorted((a, b) => isTagged(b, tags) - isTagged(a, tags))[0] ?? null;
}

export interface Difference {
  readonly quantity: string;
  readonly expected: unknown;
  readonly found: Value;
  /** Of the tolerance: more than 1 is a miss. */
  readonly share: number;
}

export interface CaseResult {
  readonly id: string;
  readonly kind: string;
  readonly group: string;
  readonly source: string;
  readonly answers: Answers;
  readonly differences: readonly Difference[];
  /** Why there is no answer. */
  readonly refused: string | null;
}

/** A case without a function, by its tags. */
export interface NoFunction {
  readonly id: string;
  readonly tags: readonly string[];
}

export function runCase(one: ReferenceCase): CaseResult | NoFunction {
  const adapter = adapterFor(one);
  if (!adapter) return { id: one.id, tags: one.tags };
  const { kind, group, source } = adapter;
  const head = { id: one.id, kind, group: group.split(' ')[0] ?? group, source };
  try {
    const answers = adapter.answer({ id: one.id, ...one.inputs });
    return { ...head, answers, differences: differencesOf(answers, one, adapter), refused: null };
  } catch (error) {
    if (!(error instanceof Refused) && !(error instanceof NotPhysical)) throw error;
    return { ...head, answers: {}, differences: [], refused: error.message };
  }
}

function differencesOf(
  answers: Answers,
  { expected }: ReferenceCase,
  { tolerances = {} }: Adapter,
): readonly Difference[] {
  const wanted = released(withDerived(expected));
  return Object.entries(answers).flatMap(([quantity, found]): readonly Difference[] => {
    const aim = wanted[quantity];
    if (aim === undefined) return [];
    const { relative = CLOSED_FORM, absolute = 0 } = tolerances[quantity] ?? {};
    const share = Math.min(
      ...(quantity === 'mid' ? middles(expected, aim) : [aim]).map((one) =>
        off(one, found, relative, absolute),
      ),
    );
    return [{ quantity, expected: aim, found, share }];
  });
}

/** Two mirror shapes of equal energy are equally right. */
const middles = ({ twin_mids: twins, mids }: Fields, mid: unknown): readonly unknown[] =>
  Array.isArray(twins) ? twins : Array.isArray(mids) ? mids : [mid];

/** Figures that a file holds in another arrangement. */
function withDerived(expected: Fields): Fields {
  const { poses, pressure } = expected;
  const more: Record<string, unknown> = {};
  if (Array.isArray(poses)) {
    const all = poses as readonly Fields[];
    more.distances = all.map(({ distance }) => distance);
    more.places = all.flatMap(({ P }) => (Array.isArray(P) ? (P as readonly number[]) : []));
  }
  if (Array.isArray(pressure))
    for (const row of pressure as readonly Fields[]) {
      const at = row.p_MPa;
      more[`residual_clamp_N_at_${String(at)}_MPa`] = row.F_residual_clamp_N;
      more[`residual_seat_MPa_at_${String(at)}_MPa`] = row.residual_seat_stress;
    }
  return { ...expected, ...more };
}

/** A flat shape that is not the lowest in space leaves its plane: then only the energy of the released one is compared. */
function released(expected: Fields): Fields {
  const lies = expected.three_d as Fields | undefined;
  const isLowest = expected.planar_is_lowest_in_3d ?? lies?.planar_is_lowest_in_3d ?? true;
  return isLowest === false
    ? { exists: true, energy: expected.lowest_3d_energy ?? lies?.lowest_3d_energy }
    : expected;
}

/** How far a value is off, as a share of what it may be; infinite where it is another kind of answer. */
function off(expected: unknown, found: unknown, relative: number, absolute: number): number {
  if (expected === undefined) return 0;
  if (typeof expected === 'number' && typeof found === 'number') {
    const room = Math.max(absolute, relative * Math.abs(expected), 1e-12);
    return Math.abs(found - expected) / room;
  }
  if (Array.isArray(expected) && Array.isArray(found)) {
    // A planar point beside one in space: what is not given is nothing.
    const size = Math.max(expected.length, found.length);
    if (expected.length !== found.length && size > 3) return Infinity;
    if (expected.length !== found.length && expected.some((one) => typeof one !== 'number')) return Infinity;
    const at = (list: readonly unknown[], index: number): unknown => list[index] ?? 0;
    return Math.max(
      0,
      ...Array.from({ length: size }, (_none, index) =>
        off(at(expected, index), at(found, index), relative, absolute),
      ),
    );
  }
  if (typeof expected === 'object' && expected !== null && typeof found === 'object' && found !== null)
    return Math.max(
      0,
      ...Object.entries(expected).map(([key, value]) => {
        const own = (found as Fields)[key];
        // What the core does not have, such as a word without a path, is not compared.
        return own === undefined || value === null ? 0 : off(value, own, relative, absolute);
      }),
    );
  return expected === found ? 0 : Infinity;
}

export interface GroupSummary {
  readonly group: string;
  readonly kind: string;
  readonly cases: number;
  readonly values: number;
  /** The worst share of its tolerance, with where. */
  readonly worst: { readonly share: number; readonly id: string; readonly quantity: string } | null;
  readonly misses: readonly string[];
  readonly source: string;
}

export const hasFunction = (result: CaseResult | NoFunction): result is CaseResult => 'answers' in result;

/** By group and kind, in the order in which they come. */
export function summarise(results: readonly CaseResult[]): readonly GroupSummary[] {
  const kinds = new Map<string, CaseResult[]>();
  for (const result of results) {
    const key = `${result.group} ${result.kind}`;
    kinds.set(key, [...(kinds.get(key) ?? []), result]);
  }
  return [...kinds.values()].map((all) => {
    const [first] = all;
    let worst: GroupSummary['worst'] = null;
    for (const { id, differences } of all)
      for (const { quantity, share } of differences)
        if (!worst || share > worst.share) worst = { share, id, quantity };
    return {
      group: first?.group ?? '',
      kind: first?.kind ?? '',
      cases: all.length,
      values: all.reduce((sum, { differences }) => sum + differences.length, 0),
      worst,
      misses: all.flatMap(({ id, differences, refused }) => [
        ...(refused === null ? [] : [`${id}: refused, ${refused}`]),
        ...differences
          .filter(({ share }) => share > 1)
          .map(
            ({ quantity, expected, found }) =>
              `${id} ${quantity}: ${JSON.stringify(found)} for ${JSON.stringify(expected)}`,
          ),
      ]),
      source: first?.source ?? '',
    };
  });
}
