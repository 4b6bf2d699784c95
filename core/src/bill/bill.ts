/** What a job takes in parts: counted together where they are alike, with spares, against what lies on the shelf. */
import type { AlongKind } from '../hoseBuild/build.ts';
import type { JointMaterial } from '../joint/washers.ts';
import { threadKey } from '../threads/catalogue.ts';
import { demand, unphysical } from '../calculation/physical.ts';

/** A part as it is counted: two of the same key are the same part. */
export type BillPart =
  | { readonly kind: 'hose'; readonly name: string; readonly length_m: number }
  | {
      readonly kind: 'bolt';
      /** Eyes that it feeds: a single bolt has one row of cross-holes, a double one two. */
      readonly eyes: number;
      readonly thread: string;
      readonly length_m: number;
      readonly material: JointMaterial;
      readonly carries: readonly string[];
    }
  | {
      readonly kind: 'washer';
      readonly hole_m: number;
      readonly thickness_m: number;
      readonly material: JointMaterial;
    }
  | {
      readonly kind: 'along';
      readonly what: AlongKind;
      readonly length_m: number;
      readonly outside_m: number | null;
      readonly clip_m: number | null;
    }
  | { readonly kind: 'supportWasher' }
  /** The block of a tee. */
  | { readonly kind: 'junction'; readonly ports: number; readonly thread: string };

export interface BillLine {
  readonly key: string;
  readonly part: BillPart;
  readonly needed: number;
  readonly spare: number;
  /** Null: nobody has counted. */
  readonly onHand: number | null;
  /** Never below zero. */
  readonly toOrder: number;
}

const PART_RULES = {
  positive: ['hole_m', 'thickness_m', 'outside_m', 'clip_m', 'eyes'],
  notNegative: ['length_m', 'count'],
} as const;

const tenths = (value_m: number | null) => (value_m === null ? '-' : String(Math.round(value_m * 1e4)));

/** Alike to a tenth of a millimetre. */
export function keyOf(part: BillPart): string {
  demand(unphysical(part, PART_RULES));
  switch (part.kind) {
    case 'hose':
      return `hose ${part.name} ${tenths(part.length_m)}`;
    case 'bolt':
      return [
        `bolt ${part.eyes}`,
        threadKey(part.thread),
        tenths(part.length_m),
        part.material,
        ...part.carries.toSorted(),
      ].join(' ');
    case 'washer':
      return `washer ${tenths(part.hole_m)} ${tenths(part.thickness_m)} ${part.material}`;
    case 'along':
      // A label is printed, not taken from a shelf by its place.
      return `${part.what} ${tenths(part.length_m)} ${tenths(part.outside_m)} ${tenths(part.clip_m)}`;
    case 'supportWasher':
      return 'support washer';
    case 'junction':
      return `junction ${part.ports} ${threadKey(part.thread)}`;
  }
}

/**
 * Washers are used once and one too many is dropped: half as many again go into the box (six where four are used). Common
 * practice, no published source. Of everything else as many as are fitted.
 */
const spareOf = ({ kind }: BillPart, needed: number): number =>
  kind === 'washer' ? Math.ceil(needed / 2) : 0;

export function billOf(
  parts: readonly { readonly part: BillPart; readonly count: number }[],
  onHand: ReadonlyMap<string, number>,
): readonly BillLine[] {
  demand(unphysical({ parts }, PART_RULES));
  const lines = new Map<string, { part: BillPart; needed: number }>();
  for (const { part, count } of parts) {
    if (count <= 0) continue;
    const key = keyOf(part);
    const line = lines.get(key);
    if (line) line.needed += count;
    else lines.set(key, { part, needed: count });
  }
  return [...lines].map(([key, { part, needed }]) => {
    const spare = spareOf(part, needed);
    const here = onHand.get(key) ?? null;
    return { key, part, needed, spare, onHand: here, toOrder: Math.max(0, needed + spare - (here ?? 0)) };
  });
}
