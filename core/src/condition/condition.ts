/** What a look and a hand find on a hose, a pipe or a joint. */
export const CONDITIONS = [
  'sound',
  'aged',
  'cracked',
  'swollen',
  'chafed',
  'frayed',
  'kinked',
  'leaking',
  'collapsed',
  'corroded',
  'seizedNut',
  'roundedHexagon',
  'damagedThread',
  'reRouted',
] as const;
export type Condition = (typeof CONDITIONS)[number];

export const DEGREES = ['slight', 'marked', 'severe'] as const;
/** How far it has gone. `slight`: seen when looked for. `marked`: plain to see. `severe`: it is failing. */
export type Degree = (typeof DEGREES)[number];

export const FINDING_SUBJECTS = ['hose', 'hardLine', 'joint'] as const;
export type FindingSubject = (typeof FINDING_SUBJECTS)[number];

const ON: Readonly<Record<Condition, readonly FindingSubject[]>> = {
  sound: ['hose', 'hardLine', 'joint'],
  aged: ['hose'],
  cracked: ['hose'],
  swollen: ['hose'],
  chafed: ['hose', 'hardLine'],
  frayed: ['hose'],
  kinked: ['hose', 'hardLine'],
  leaking: ['hose', 'hardLine', 'joint'],
  collapsed: ['hose'],
  corroded: ['hardLine', 'joint'],
  seizedNut: ['joint'],
  roundedHexagon: ['joint'],
  damagedThread: ['joint'],
  reRouted: ['hose', 'hardLine'],
};

/** The conditions that can be found on a thing of this kind. */
export const conditionsOn = (subject: FindingSubject): readonly Condition[] =>
  CONDITIONS.filter((condition) => ON[condition].includes(subject));
