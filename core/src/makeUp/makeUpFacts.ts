/** What is done, put on and written down when a hose is made up in the shop. */
export const MAKE_UP_STEPS = [
  'cut',
  'clean',
  'nutA',
  'oliveA',
  'joinA',
  'slideOn',
  'nutB',
  'oliveB',
  'clock',
  'joinB',
  'measure',
  'proof',
  'dry',
  'cap',
] as const;
export type MakeUpStepKind = (typeof MAKE_UP_STEPS)[number];

export const CUT_FACES = ['clean', 'ragged'] as const;
export type CutFace = (typeof CUT_FACES)[number];

export const LUBRICANTS = ['ptfeGrease', 'oil', 'none'] as const;
export type Lubricant = (typeof LUBRICANTS)[number];

/** The metals of nut and body on whose threads they turn. */
export const METAL_PAIRS = ['stainless', 'platedSteel', 'aluminium', 'copperAlloy'] as const;
export type MetalPair = (typeof METAL_PAIRS)[number];

export const PROOF_MEDIA = ['water', 'brakeFluid'] as const;
export type ProofMedium = (typeof PROOF_MEDIA)[number];
