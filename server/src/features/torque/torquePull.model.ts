import type { PullRecord } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  flag,
  instant,
  json,
  key,
  optionalCalendarDate,
  optionalReference,
  plainTable,
  quantity,
  reference,
  text,
  whole,
} from '../../database/columns.ts';

/** A pull that was heard to its end: rows are added, never changed. */
export type TorquePullRow = Row<
  Omit<PullRecord, 'at' | 'state' | 'peak_Nm'> & {
    jobId: string;
    peak_Nm: number;
    byId: string | null;
    at: Date;
  }
>;

export const defineTorquePull = (sequelize: Sequelize) =>
  sequelize.define<TorquePullRow>(
    'torquePull',
    {
      id: key(),
      jobId: reference(),
      jointId: reference(),
      serial: text(),
      isSimulated: flag('isSimulated'),
      calibratedOn: optionalCalendarDate(),
      set_Nm: quantity(),
      adapter: json('adapter', true),
      samples: json('samples'),
      peak_Nm: quantity(),
      dropOuts: whole(),
      by: text(),
      byId: optionalReference(),
      at: instant(),
    },
    plainTable('torque_pull'),
  );
