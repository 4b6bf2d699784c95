/** What can be behind a brake that does not feel right, and how often it shows itself in which way. */
export const SYMPTOMS = ['pull', 'drag', 'spongy', 'longTravel', 'hard', 'sinks', 'leak'] as const;
export type Symptom = (typeof SYMPTOMS)[number];

export const CAUSES = [
  'airInLine',
  'airAtHighPoint',
  'fluidBoiled',
  'hoseSwells',
  'hoseCollapsed',
  'hosePinched',
  'seizedPiston',
  'seizedSlider',
  'relievingPortShut',
  'masterSealPasses',
  'padsWorn',
  'padsWet',
  'padKnockBack',
  'boosterFailed',
  'jointLeaks',
  'hoseLeaks',
] as const;
export type Cause = (typeof CAUSES)[number];

/** How often a cause shows a symptom or gives an outcome. Our coarse grades; nobody has counted. */
export type Often = 'always' | 'often' | 'sometimes' | 'rarely';
export const LIKELIHOOD: Readonly<Record<Often, number>> = {
  always: 0.95,
  often: 0.7,
  sometimes: 0.3,
  rarely: 0.05,
};

export interface CauseFacts {
  /** How common it is on a brake that comes in with a complaint, relative to the others; our estimate. */
  readonly weight: number;
  /** What is not named here shows rarely. */
  readonly shows: Partial<Readonly<Record<Symptom, Often>>>;
}

/** Common practice, no published source; the grades are our estimates. */
export const CAUSE_FACTS: Readonly<Record<Cause, CauseFacts>> = {
  airInLine: { weight: 5, shows: { spongy: 'always', longTravel: 'often' } },
  airAtHighPoint: { weight: 2, shows: { spongy: 'always', longTravel: 'often' } },
  fluidBoiled: { weight: 1, shows: { spongy: 'always', longTravel: 'always', sinks: 'sometimes' } },
  hoseSwells: { weight: 2, shows: { spongy: 'often', longTravel: 'sometimes', pull: 'sometimes' } },
  hoseCollapsed: { weight: 2, shows: { drag: 'often', pull: 'often', hard: 'sometimes' } },
  hosePinched: { weight: 1, shows: { drag: 'sometimes', pull: 'often', hard: 'often' } },
  seizedPiston: { weight: 4, shows: { drag: 'often', pull: 'often', hard: 'sometimes' } },
  seizedSlider: { weight: 3, shows: { drag: 'often', pull: 'sometimes', longTravel: 'sometimes' } },
  relievingPortShut: { weight: 2, shows: { drag: 'always', hard: 'often' } },
  masterSealPasses: { weight: 2, shows: { sinks: 'always', longTravel: 'often', spongy: 'sometimes' } },
  padsWorn: { weight: 3, shows: { longTravel: 'often', pull: 'sometimes' } },
  padsWet: { weight: 1, shows: { pull: 'often', hard: 'sometimes', leak: 'sometimes' } },
  padKnockBack: { weight: 1, shows: { longTravel: 'always' } },
  boosterFailed: { weight: 1, shows: { hard: 'always' } },
  jointLeaks: { weight: 2, shows: { leak: 'always', sinks: 'often', spongy: 'sometimes' } },
  hoseLeaks: { weight: 1, shows: { leak: 'always', sinks: 'often', longTravel: 'sometimes' } },
};
