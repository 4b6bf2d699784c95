/** The rules of fitting, by the strength with which they hold. Where each is from: docs/formats/fit-plan.md. */

/** Geometry; a stop that a person who may gives a reason for; practice, which steps aside and says so. */
export type RuleKind = 'geometry' | 'stop' | 'practice';

export const RULES = {
  PR1: 'stop',
  PR2: 'practice',
  PR3: 'practice',
  PR4: 'stop',
  PR5: 'practice',
  PR6: 'practice',
  PR7: 'stop',
  PR8: 'geometry',
  FL1: 'stop',
  FL2: 'stop',
  FL3: 'stop',
  FL4: 'practice',
  CP1: 'stop',
  CP2: 'geometry',
  CP3: 'stop',
  OF1: 'geometry',
  OF2: 'practice',
  OF3: 'practice',
  OF4: 'practice',
  OF5: 'practice',
  OF6: 'geometry',
  OF7: 'geometry',
  OF8: 'stop',
  OF9: 'geometry',
  OF10: 'geometry',
  ON1: 'geometry',
  ON2: 'geometry',
  ON3: 'geometry',
  ON4: 'practice',
  ON5: 'geometry',
  ON6: 'practice',
  ON7: 'stop',
  FN1: 'stop',
  FN2: 'stop',
  FN3: 'stop',
  FN4: 'stop',
  FN5: 'practice',
  FN6: 'stop',
  FN7: 'practice',
  CR1: 'stop',
  CR2: 'stop',
  EN1: 'stop',
  EN2: 'stop',
  BK1: 'geometry',
  RP1: 'stop',
} as const satisfies Readonly<Record<string, RuleKind>>;
export type RuleId = keyof typeof RULES;

/** The sequence of the model itself: what a step needs to be one at all. It is in no explanation. */
export type Reason = RuleId | 'STATE' | `demand ${string}`;

const SEQUENCE: ReadonlySet<Reason> = new Set<Reason>(['STATE', 'OF6', 'ON5', 'FN1']);
export const isNamed = (reason: Reason): boolean => !SEQUENCE.has(reason);

export const isPractice = (reason: Reason): boolean =>
  reason in RULES && RULES[reason as RuleId] === 'practice';
