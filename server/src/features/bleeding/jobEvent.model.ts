import type { BleedRow } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  instant,
  json,
  optionalReference,
  optionalText,
  plainTable,
  reference,
  text,
} from '../../database/columns.ts';

export interface JobEventColumns {
  /** Given by the database: the order in which the events arrived. */
  sequence?: number;
  /** Chosen by who did it: sent again, it is the same event. */
  id: string;
  jobId: string;
  kind: BleedRow['kind'];
  subjectId: string;
  payload: Pick<BleedRow, 'outflow' | 'volume_m3'> | null;
  undoesId: string | null;
  /** When it was done, as who did it says. */
  at: Date;
  receivedAt: Date;
  by: string | null;
  byId: string | null;
}
export type JobEventRow = Row<JobEventColumns>;

/** Rows are added, never changed. */
export const defineJobEvent = (sequelize: Sequelize) =>
  sequelize.define<JobEventRow>(
    'jobEvent',
    {
      sequence: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      id: { type: DataTypes.UUID, allowNull: false },
      jobId: reference(),
      kind: text(),
      subjectId: reference(),
      payload: json('payload', true),
      undoesId: optionalReference(),
      at: instant(),
      receivedAt: instant(),
      by: optionalText(),
      byId: optionalReference(),
    },
    plainTable('job_event'),
  );
