/** What is looked at while a hose is made up, and what stands against it. */
import type { JointMaterial } from '../joint/washers.ts';
import type { Caution } from '../mistakes/caution.ts';
import type { CutFace, Lubricant, MetalPair } from './makeUpFacts.ts';
import { demand, unphysical } from '../calculation/physical.ts';

/** A nut that is home leaves about one turn of its thread; of the 1 mm pitch that most have. Our default, the maker's sheet replaces it. */
export const NUT_GAP_m = 0.001;
/** A nut with more than two turns open does not grip yet. Our estimate. */
export const MOST_GAP_m = 2 * NUT_GAP_m;
/** The mark on the liner may stand so far from the nut: a pencil line. */
export const HOME_m = 0.0005;
/** Rounding of what was typed. */
const NOISE_m = 5e-7;

const PAIRS: Readonly<Record<JointMaterial, MetalPair>> = {
  stainless: 'stainless',
  steel: 'platedSteel',
  aluminium: 'aluminium',
  copper: 'copperAlloy',
};

/** Nut and body of an end are of one metal. */
export const metalPair = (material: JointMaterial): MetalPair => PAIRS[material];

/** What goes on the threads: stainless and aluminium gall without a grease that stays; plated steel wants a drop of oil. */
export const lubricantFor = (pair: MetalPair): Lubricant =>
  pair === 'stainless' || pair === 'aluminium' ? 'ptfeGrease' : 'oil';

/** M43: a cut that splays is not forced into an end. */
export const judgeCut = (end: 'A' | 'B', face: CutFace): readonly Caution[] =>
  face === 'ragged' ? [{ id: 'M43', evidence: { end } }] : [];

/** M39, M40: the liner home on its shoulder, and no strand of the braid inside. */
export const judgeOlive = (
  end: 'A' | 'B',
  { strandFree, short_m }: { readonly strandFree: boolean; readonly short_m: number },
): readonly Caution[] => {
  demand(unphysical({ short_m }, { notNegative: ['short_m'] }));
  return [
    ...(strandFree ? [] : [{ id: 'M39' as const, evidence: { end } }]),
    ...(short_m > HOME_m + NOISE_m ? [{ id: 'M40' as const, evidence: { end, short_m } }] : []),
  ];
};

/** M41, M42: what was put on the threads, and how far the nut was turned. */
export function judgeNut(
  end: 'A' | 'B',
  material: JointMaterial,
  { lubricant, gap_m }: { readonly lubricant: Lubricant; readonly gap_m: number },
): readonly Caution[] {
  demand(unphysical({ gap_m }, { notNegative: ['gap_m'] }));
  const pair = metalPair(material);
  const wanted = lubricantFor(pair);
  // Grease is never worse than oil.
  const isDry = lubricant === 'none' || (wanted === 'ptfeGrease' && lubricant !== wanted);
  return [
    ...(isDry ? [{ id: 'M41' as const, evidence: { end, pair, used: lubricant, wanted } }] : []),
    ...(gap_m < NUT_GAP_m - NOISE_m
      ? [{ id: 'M42' as const, evidence: { end, gap_m, wanted_m: NUT_GAP_m, turned: 'tooFar' as const } }]
      : gap_m > MOST_GAP_m + NOISE_m
        ? [{ id: 'M42' as const, evidence: { end, gap_m, wanted_m: NUT_GAP_m, turned: 'notFar' as const } }]
        : []),
  ];
}

/** Proof of a hose made up here: our defaults, well under what hose for the road has to bear; the hose maker's sheet replaces them. */
export const PROOF = { pressure_Pa: 20e6, hold_s: 60 } as const;

export interface ProofTest {
  readonly pressure_Pa: number;
  readonly hold_s: number;
  /** Nothing seen at either end, and the gauge stood still. */
  readonly tight: boolean;
}

export const PROOF_FAULTS = ['pressure', 'hold', 'leaked'] as const;
export type ProofFault = (typeof PROOF_FAULTS)[number];

/** What a test leaves to be desired; nothing when the hose passed it. */
export const proofFaults = ({ pressure_Pa, hold_s, tight }: ProofTest): readonly ProofFault[] => {
  demand(unphysical({ pressure_Pa, hold_s }, { notNegative: ['pressure_Pa', 'hold_s'] }));
  return [
    ...(pressure_Pa < PROOF.pressure_Pa ? (['pressure'] as const) : []),
    ...(hold_s < PROOF.hold_s ? (['hold'] as const) : []),
    ...(tight ? [] : (['leaked'] as const)),
  ];
};

/** M37: made up here and not proved. */
export const judgeProof = (madeHere: boolean, proof: ProofTest | null): readonly Caution[] =>
  madeHere && (proof === null || proofFaults(proof).length > 0) ? [{ id: 'M37', evidence: {} }] : [];

/** M35: every cap and plug that went on comes off, and is counted. */
export function judgePlugs(put: number, out: number): readonly Caution[] {
  demand(unphysical({ put, out }, { notNegative: ['put', 'out'] }));
  return put === out ? [] : [{ id: 'M35', evidence: { put, out } }];
}
