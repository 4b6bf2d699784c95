import type { TorqueRecord } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  flag,
  instant,
  json,
  key,
  optionalQuantity,
  optionalReference,
  optionalText,
  plainTable,
  reference,
  text,
  whole,
} from '../../database/columns.ts';

export type TorqueRecordRow = Row<
  Omit<TorqueRecord, 'at'> & {
    jobId: string;
    at: Date;
    /** Given by the database: of two in one millisecond the second one counts. */
    sequence?: number;
  }
>;

export const defineTorqueRecord = (sequelize: Sequelize) =>
  sequelize.define<TorqueRecordRow>(
    'torqueRecord',
    {
      id: key(),
      jobId: reference(),
      jointId: reference(),
      wrenchId: optionalReference(),
      wrenchName: optionalText(),
      torque_Nm: optionalQuantity(),
      typed: text(),
      adapter: json('adapter', true),
      pullId: optionalReference(),
      because: optionalText(),
      freshWashers: whole(),
      settled: flag('settled'),
      witnessMark: flag('witnessMark'),
      verdict: text(),
      threads: optionalText(),
      renewed: { ...flag('renewed'), defaultValue: false },
      fitted: json('fitted', true),
      by: text(),
      byId: optionalReference(),
      at: instant(),
      sequence: { type: DataTypes.BIGINT, autoIncrement: true, unique: true },
    },
    plainTable('torque_record'),
  );
