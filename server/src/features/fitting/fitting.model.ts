import type { FitFactSaid, FitStep } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import { instant, json, optionalReference, plainTable, reference, text } from '../../database/columns.ts';

/** Rows are added, never changed: a step that is taken back stays, and the row that takes it back names it. */
export interface FitStepColumns {
  /** Given by the database: the order in which the steps were taken. */
  sequence?: number;
  id: string;
  jobId: string;
  /** Null in a row that takes another one back. */
  step: FitStep['step'] | null;
  undoesId: string | null;
  at: Date;
  receivedAt: Date;
  by: string;
  byId: string | null;
}
export type FitStepRow = Row<FitStepColumns>;

export interface FitFactColumns {
  sequence?: number;
  id: string;
  jobId: string;
  /** Of a fact that stays with the vehicle; null for one of this job alone. */
  vehicleId: string | null;
  said: FitFactSaid;
  at: Date;
  by: string;
  byId: string | null;
}
export type FitFactRow = Row<FitFactColumns>;

const sequence = { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true } as const;
const id = { type: DataTypes.UUID, allowNull: false } as const;

export const defineFitStep = (sequelize: Sequelize) =>
  sequelize.define<FitStepRow>(
    'fitStep',
    {
      sequence,
      id,
      jobId: reference(),
      step: json('step', true),
      undoesId: optionalReference(),
      at: instant(),
      receivedAt: instant(),
      by: text(),
      byId: optionalReference(),
    },
    plainTable('fit_step'),
  );

export const defineFitFact = (sequelize: Sequelize) =>
  sequelize.define<FitFactRow>(
    'fitFact',
    {
      sequence,
      id,
      jobId: reference(),
      vehicleId: optionalReference(),
      said: json('said'),
      at: instant(),
      by: text(),
      byId: optionalReference(),
    },
    plainTable('fit_fact'),
  );
