import type {
  Circuit,
  HydraulicsEntry,
  Job,
  JobHose,
  JobItem,
  JobJoint,
  JobLine,
  LogKind,
} from '@zephyrcombe/contract';
import { DataTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  calendarDate,
  flag,
  instant,
  json,
  key,
  optionalCalendarDate,
  optionalInstant,
  optionalQuantity,
  optionalReference,
  optionalText,
  plainTable,
  reference,
  text,
  version,
  whole,
} from '../../database/columns.ts';

export type JobRow = Row<
  Omit<Job, 'number'> & {
    /** The database counts it. */
    number?: number;
    /** Raised by every action on the job. */
    revision?: number;
  }
>;

export type JobCircuitRow = Row<{
  jobId: string;
  circuitId: string;
  /** As found, when the job chose another layout for it. */
  found: HydraulicsEntry | null;
  /** As it was when the job was signed off: the record does not change with the vehicle. */
  signed: Circuit | null;
  position: number;
}>;
export type JobHoseRow = Row<JobHose & { jobId: string; position: number }>;
export type JobItemRow = Row<JobItem & { jobId: string; position: number }>;
export type JobLineRow = Row<JobLine & { jobId: string; position: number }>;
export type JobJointRow = Row<JobJoint & { jobId: string; position: number }>;
export interface LogColumns {
  id: string;
  sequence?: number;
  jobId: string;
  at: Date;
  receivedAt: Date | null;
  by: string;
  byId: string | null;
  kind: LogKind;
  detail: Record<string, unknown>;
  correctsId: string | null;
  sentId: string | null;
}
export type LogEntryRow = Row<LogColumns>;

export const defineJob = (sequelize: Sequelize) =>
  sequelize.define<JobRow>(
    'job',
    {
      id: key(),
      vehicleId: reference(),
      title: text(),
      reason: text(),
      status: text(),
      openedOn: calendarDate(),
      openedBy: text(),
      openedById: optionalReference(),
      finishedOn: optionalCalendarDate(),
      signedBy: optionalText(),
      signedById: optionalReference(),
      abandoned: json('abandoned', true),
      endsConfirmed: flag('endsConfirmed'),
      supply: json('supply', true),
      number: { type: DataTypes.INTEGER },
      orderTerms: json('orderTerms', true),
      fitChecks: json('fitChecks'),
      handoverChecks: json('handoverChecks'),
      version: version(),
      revision: version(),
    },
    plainTable('job'),
  );

export const defineJobCircuit = (sequelize: Sequelize) =>
  sequelize.define<JobCircuitRow>(
    'jobCircuit',
    {
      jobId: { ...reference(), primaryKey: true },
      circuitId: { ...reference(), primaryKey: true },
      found: json('found', true),
      signed: json('signed', true),
      position: whole(),
    },
    plainTable('job_circuit'),
  );

export const defineJobHose = (sequelize: Sequelize) =>
  sequelize.define<JobHoseRow>(
    'jobHose',
    {
      jobId: { ...reference(), primaryKey: true },
      hoseId: { ...reference(), primaryKey: true },
      poseChecks: json('poseChecks'),
      order_m: optionalQuantity(),
      orderDatum: json('orderDatum', true),
      lift: json('lift', true),
      endA: json('endA'),
      endB: json('endB'),
      clocking_rad: optionalQuantity(),
      specified: flag('specified'),
      specification: json('specification', true),
      lengthTaken: json('lengthTaken', true),
      offeredUp: json('offeredUp', true),
      build: json('build', true),
      makeUp: json('makeUp'),
      kit: json('kit', true),
      plugs: json('plugs'),
      position: whole(),
      version: version(),
    },
    plainTable('job_hose'),
  );

export const defineJobItem = (sequelize: Sequelize) =>
  sequelize.define<JobItemRow>(
    'jobItem',
    {
      id: key(),
      jobId: reference(),
      kind: text(),
      name: text(),
      handling: text(),
      done: json('done', true),
      position: whole(),
      version: version(),
    },
    plainTable('job_item'),
  );

export const defineJobLine = (sequelize: Sequelize) =>
  sequelize.define<JobLineRow>(
    'jobLine',
    {
      jobId: { ...reference(), primaryKey: true },
      lineId: { ...reference(), primaryKey: true },
      pattern: json('pattern', true),
      checks: json('checks'),
      made: json('made', true),
      position: whole(),
      version: version(),
    },
    plainTable('job_line'),
  );

export const defineJobJoint = (sequelize: Sequelize) =>
  sequelize.define<JobJointRow>(
    'jobJoint',
    {
      jobId: { ...reference(), primaryKey: true },
      jointId: { ...reference(), primaryKey: true },
      bolt: json('bolt', true),
      washer: json('washer', true),
      boltState: text(),
      oldIsSwitch: flag('oldIsSwitch'),
      handTight: flag('handTight'),
      leakChecked: flag('leakChecked'),
      refit: flag('refit'),
      position: whole(),
      version: version(),
    },
    plainTable('job_joint'),
  );

export const defineLogEntry = (sequelize: Sequelize) =>
  sequelize.define<LogEntryRow>(
    'logEntry',
    {
      sequence: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
      id: { type: DataTypes.UUID, allowNull: false },
      jobId: reference(),
      at: instant(),
      receivedAt: optionalInstant(),
      by: text(),
      byId: optionalReference(),
      kind: text(),
      detail: json('detail'),
      correctsId: optionalReference(),
      sentId: optionalReference(),
    },
    plainTable('log_entry'),
  );
