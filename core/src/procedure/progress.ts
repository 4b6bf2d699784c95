/** How far a job has come: which stages are done and which one is next. */
export const STAGES = ['look-over', 'measure', 'specify', 'fit', 'bleed', 'hand-over'] as const;
export type Stage = (typeof STAGES)[number];

export interface JobTally {
  readonly endsConfirmed: boolean;
  readonly hoses: number;
  readonly measuredHoses: number;
  readonly specifiedHoses: number;
  readonly joints: number;
  readonly torquedJoints: number;
  readonly nipples: number;
  readonly clearNipples: number;
  readonly finished: boolean;
}

export interface Progress {
  readonly done: readonly Stage[];
  /** The first stage that is not done; the last one when all are. */
  readonly next: Stage;
}

/** A stage is done on its own evidence; nobody is forced to take them in order. */
export function jobProgress(tally: JobTally): Progress {
  const done: Readonly<Record<Stage, boolean>> = {
    'look-over': tally.endsConfirmed,
    measure: tally.hoses > 0 && tally.measuredHoses === tally.hoses,
    specify: tally.hoses > 0 && tally.specifiedHoses === tally.hoses,
    fit: tally.joints > 0 && tally.torquedJoints === tally.joints,
    bleed: tally.nipples > 0 && tally.clearNipples === tally.nipples,
    'hand-over': tally.finished,
  };
  return {
    done: STAGES.filter((stage) => done[stage]),
    next: STAGES.find((stage) => !done[stage]) ?? 'hand-over',
  };
}
