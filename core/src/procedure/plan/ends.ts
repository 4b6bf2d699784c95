/** The two ends of a line. */
export const ENDS = ['A', 'B'] as const;
export type End = (typeof ENDS)[number];
export const otherEnd = (end: End): End => (end === 'A' ? 'B' : 'A');
