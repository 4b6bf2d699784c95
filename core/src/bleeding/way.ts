/** How a brake is bled, and what can hurt in each way. */
import type { Caution } from '../mistakes/caution.ts';

export const BLEED_METHODS = [
  'pump',
  'twoPeople',
  'vacuum',
  'pressure',
  'gravity',
  'reverse',
  'oneWay',
] as const;
export type BleedMethod = (typeof BLEED_METHODS)[number];

/** Those that a stroke of the lever moves the fluid in; the others are counted by what was caught. */
const BY_STROKES: ReadonlySet<BleedMethod> = new Set<BleedMethod>(['pump', 'twoPeople', 'oneWay']);
export const isByStrokes = (method: BleedMethod): boolean => BY_STROKES.has(method);
/** Something pulls at the nipple: taken off while the nipple is open, air goes in. */
export const isBySuction = (method: BleedMethod): boolean => method === 'vacuum';

export const LIDS = ['off', 'loose', 'closed'] as const;
export type Lid = (typeof LIDS)[number];
export const LEVER_RELEASES = ['slow', 'quick'] as const;
export type LeverRelease = (typeof LEVER_RELEASES)[number];

/** What is said of the way; null where nobody has. */
export interface BleedWay {
  readonly method: BleedMethod;
  /** Above the atmosphere, at the reservoir. */
  readonly pressure_Pa: number | null;
  readonly releases: LeverRelease | null;
  readonly lid: Lid | null;
}

/** 20 lbf/in²: common practice, no published source; one bar is enough. */
export const MOST_BLEEDER_PRESSURE_Pa = 137_895;

/** M83 pressed harder than a reservoir and its hose stand; M84 quick releases under a lid that is off. */
export function judgeBleedWay({ method, pressure_Pa, releases, lid }: BleedWay): readonly Caution[] {
  const cautions: Caution[] = [];
  if (method === 'pressure' && pressure_Pa !== null && pressure_Pa > MOST_BLEEDER_PRESSURE_Pa)
    cautions.push({ id: 'M83', evidence: { pressure_Pa, most_Pa: MOST_BLEEDER_PRESSURE_Pa } });
  if (isByStrokes(method) && releases === 'quick' && lid === 'off')
    cautions.push({ id: 'M84', evidence: {} });
  return cautions;
}

export const IGNITIONS = ['on', 'off'] as const;
export type Ignition = (typeof IGNITIONS)[number];

/**
 * M90 of a wheel that an electric booster serves: as its ignition was when it was bled, and as the maker asks; null where nobody has
 * said.
 */
export const judgeIgnition = (was: Ignition | null, asked: Ignition | null): readonly Caution[] =>
  was !== null && was === asked ? [] : [{ id: 'M90', evidence: { was, asked } }];

export const WET_PADS = ['wet', 'cleaned', 'renewed'] as const;
export type WetPads = (typeof WET_PADS)[number];

/** M86: pads that met fluid are replaced, whatever was washed off or taken back since. */
export const judgeWetPads = (said: readonly (WetPads | null)[]): readonly Caution[] =>
  said.some((state) => state === 'wet' || state === 'cleaned') && said.at(-1) !== 'renewed'
    ? [{ id: 'M86', evidence: { cleaned: said.at(-1) === 'cleaned' } }]
    : [];

export const NIPPLE_FREED = ['soaked', 'warmed', 'forced'] as const;
export type NippleFreed = (typeof NIPPLE_FREED)[number];

/** M110 of a nipple that was seized: freed by force, or nobody says how. */
export const judgeSeizedNipple = (freed: NippleFreed | null): readonly Caution[] =>
  freed === null || freed === 'forced' ? [{ id: 'M110', evidence: { forced: freed === 'forced' } }] : [];
