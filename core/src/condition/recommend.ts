/** What to do about a finding: replace, watch, or look deeper first. */
import type { Caution } from '../mistakes/caution.ts';
import type { Condition, Degree, FindingSubject } from './condition.ts';

export const RECOMMENDATIONS = ['replace', 'lookDeeper', 'watch', 'keep'] as const;
export type Recommendation = (typeof RECOMMENDATIONS)[number];

type ByDegree = readonly [slight: Recommendation, marked: Recommendation, severe: Recommendation];
const DEGREE_INDEX: Readonly<Record<Degree, 0 | 1 | 2>> = { slight: 0, marked: 1, severe: 2 };

/**
 * Common practice, no published source. A doubt about what cannot be seen (a liner, a nut that has not been tried) asks
 * for a deeper look; what lets fluid out, or soon will, is replaced whatever its degree.
 */
const TABLE: Readonly<Record<Condition, ByDegree>> = {
  sound: ['keep', 'keep', 'keep'],
  aged: ['watch', 'replace', 'replace'],
  cracked: ['watch', 'replace', 'replace'],
  swollen: ['lookDeeper', 'replace', 'replace'],
  chafed: ['watch', 'replace', 'replace'],
  frayed: ['lookDeeper', 'replace', 'replace'],
  kinked: ['lookDeeper', 'replace', 'replace'],
  leaking: ['replace', 'replace', 'replace'],
  collapsed: ['lookDeeper', 'replace', 'replace'],
  corroded: ['watch', 'replace', 'replace'],
  seizedNut: ['lookDeeper', 'replace', 'replace'],
  roundedHexagon: ['lookDeeper', 'replace', 'replace'],
  damagedThread: ['lookDeeper', 'replace', 'replace'],
  reRouted: ['replace', 'replace', 'replace'],
};

/** A leak at a joint is often only its washers: find the wet face before parts are ordered. */
export function recommend(subject: FindingSubject, condition: Condition, degree: Degree): Recommendation {
  if (subject === 'joint' && condition === 'leaking' && degree === 'slight') return 'lookDeeper';
  return TABLE[condition][DEGREE_INDEX[degree]];
}

export interface FoundOn {
  readonly name: string;
  readonly subject: FindingSubject;
  readonly condition: Condition;
  readonly degree: Degree;
  /** Whether the job replaces it, or opens the joint and tightens it anew. */
  readonly inScope: boolean;
}

/** A thread is no better for being tightened once more: somebody has to say what became of it. */
const isCured = ({ condition, inScope }: FoundOn): boolean => inScope && condition !== 'damagedThread';

/** M97 for every hose, pipe or joint that ought to be replaced or seen to, and is left as it was found. One caution a part. */
export function judgeLeftOn(found: readonly FoundOn[]): readonly Caution[] {
  const worst = new Map<string, FoundOn>();
  for (const finding of found) {
    if (isCured(finding) || worst.has(finding.name)) continue;
    if (recommend(finding.subject, finding.condition, finding.degree) === 'replace')
      worst.set(finding.name, finding);
  }
  return [...worst.values()].map(({ name, subject, condition }) => ({
    id: 'M97',
    evidence: { name, condition, ...(subject === 'joint' ? { subject } : {}) },
  }));
}
