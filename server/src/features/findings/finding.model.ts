import type { Finding } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  instant,
  key,
  optionalText,
  optionalReference,
  plainTable,
  reference,
  text,
} from '../../database/columns.ts';

export type FindingRow = Row<Omit<Finding, 'foundAt'> & { jobId: string; foundAt: Date }>;

export const defineFinding = (sequelize: Sequelize) =>
  sequelize.define<FindingRow>(
    'finding',
    {
      id: key(),
      jobId: reference(),
      subject: text(),
      subjectId: reference(),
      condition: text(),
      degree: text(),
      note: text(),
      foundBy: text(),
      foundById: optionalReference(),
      foundAt: instant(),
      struckBecause: optionalText(),
    },
    plainTable('finding'),
  );
