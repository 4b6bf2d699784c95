/** Whether eye and bolt belong together, and whether an old bolt may go back. */
import type { Caution } from '../mistakes/caution.ts';
import type { JointMaterial } from './washers.ts';
import { demand } from '../calculation/physical.ts';
import { firstNotPositive } from '../calculation/problem.ts';

/** A 10 mm eye on an M10 bolt has about this play; our default, the maker's sheet replaces it. */
export const EYE_PLAY_m = { least: 0.0001, most: 0.0006 } as const;
/** Rounding of drawing dimensions. */
const NOISE_m = 5e-7;

/** M25: an eye that looks the same and is not. */
export function judgeEye(eyeBore_m: number, boltDiameter_m: number): readonly Caution[] {
  demand(firstNotPositive({ eyeBore_m, boltDiameter_m }));
  const play_m = eyeBore_m - boltDiameter_m;
  return play_m < EYE_PLAY_m.least - NOISE_m || play_m > EYE_PLAY_m.most + NOISE_m
    ? [{ id: 'M25', evidence: { eye_m: eyeBore_m, bolt_m: boltDiameter_m } }]
    : [];
}

/** M31: the bolt that comes off is the stop-lamp switch, and the one that goes on is not. */
export const judgeSwitch = (oldCarriesSwitch: boolean, newCarriesSwitch: boolean): readonly Caution[] =>
  oldCarriesSwitch && !newCarriesSwitch ? [{ id: 'M31', evidence: {} }] : [];

/** What a bolt may do besides holding its joint: bleed, switch the stop lamp, be held by a wire. */
export const BOLT_CARRIES = ['bleeder', 'switch', 'lockWire'] as const;
export type BoltCarries = (typeof BOLT_CARRIES)[number];

/** Washers are always new; of bolts it depends. */
export const BOLT_STATES = ['new', 'usedSound', 'usedMarked'] as const;
export type BoltState = (typeof BOLT_STATES)[number];
export type BoltVerdict = 'fit' | 'inspect' | 'scrap';

/**
 * Steel and stainless bolts may go back after they were looked at; aluminium ones stretch once, and one that is necked, galled
 * or rounded never does. Common practice, no published source; the vehicle maker may ask for new ones always.
 */
export function boltReuse(material: JointMaterial, state: BoltState): BoltVerdict {
  if (state === 'new') return 'fit';
  if (state === 'usedMarked') return 'scrap';
  return material === 'steel' || material === 'stainless' ? 'inspect' : 'scrap';
}
