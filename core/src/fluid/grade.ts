/** Brake fluid grades and what the cap allows. */
import type { Caution } from '../mistakes/caution.ts';

export const FLUID_GRADES = ['DOT 3', 'DOT 4', 'DOT 5', 'DOT 5.1', 'mineral oil'] as const;
export type FluidGrade = (typeof FLUID_GRADES)[number];

type Family = 'glycol' | 'silicone' | 'mineral';

/** DOT 5 alone is silicone (FMVSS 116); 5.1 is glycol like 3 and 4, despite its number. */
const FAMILY: Readonly<Record<FluidGrade, Family>> = {
  'DOT 3': 'glycol',
  'DOT 4': 'glycol',
  'DOT 5.1': 'glycol',
  'DOT 5': 'silicone',
  'mineral oil': 'mineral',
};

/** Glycol grades mix upward: a higher one may go in, a lower one may not. */
const GLYCOL_RANK: Readonly<Partial<Record<FluidGrade, number>>> = { 'DOT 3': 1, 'DOT 4': 2, 'DOT 5.1': 3 };

/**
 * Whether `offered` may go where the cap asks for `asked`. Raises M77 (wrong family), M75 (lower grade) or
 * M76 (5.1 is fine here, and is not silicone).
 */
export function judgeGrade(asked: FluidGrade, offered: FluidGrade): readonly Caution[] {
  if (asked === offered) return [];
  if (FAMILY[asked] !== FAMILY[offered]) {
    const severe = FAMILY[asked] === 'mineral' || FAMILY[offered] === 'mineral';
    return [
      severe ? { id: 'M77', evidence: { asked, offered } } : { id: 'M75', evidence: { asked, offered } },
    ];
  }
  const lower = (GLYCOL_RANK[offered] ?? 0) < (GLYCOL_RANK[asked] ?? 0);
  if (lower) return [{ id: 'M75', evidence: { asked, offered } }];
  return offered === 'DOT 5.1' ? [{ id: 'M76', evidence: {} }] : [];
}
