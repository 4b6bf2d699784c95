/** The stages that a job can have, in working order. */
export const STAGES = ['look-over', 'measure', 'specify', 'fit', 'bleed', 'hand-over'] as const;
export type Stage = (typeof STAGES)[number];
