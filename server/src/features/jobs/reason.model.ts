import type { Reason } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  instant,
  json,
  key,
  optionalReference,
  optionalText,
  plainTable,
  reference,
  text,
} from '../../database/columns.ts';

export type ReasonRow = Row<Omit<Reason, 'at'> & { jobId: string; at: Date }>;

/** Rows are added, never changed. */
export const defineReason = (sequelize: Sequelize) =>
  sequelize.define<ReasonRow>(
    'jobReason',
    {
      id: key(),
      jobId: reference(),
      caution: text(),
      subject: optionalText(),
      evidence: json('evidence', true),
      reason: text(),
      at: instant(),
      by: text(),
      byId: optionalReference(),
      role: optionalText(),
    },
    plainTable('job_reason'),
  );
