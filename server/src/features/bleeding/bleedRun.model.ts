import type { BleedRun } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import { json, plainTable, reference, version } from '../../database/columns.ts';

export type BleedRunRow = Row<BleedRun & { jobId: string; version: number }>;

export const defineBleedRun = (sequelize: Sequelize) =>
  sequelize.define<BleedRunRow>(
    'bleedRun',
    {
      jobId: { ...reference(), primaryKey: true },
      nippleId: { ...reference(), primaryKey: true },
      events: json('events'),
      version: version(),
    },
    plainTable('bleed_run'),
  );
