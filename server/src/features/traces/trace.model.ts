import type { Trace } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import { json, key, plainTable, reference, text, version, whole } from '../../database/columns.ts';

export type TraceRow = Row<Trace & { jobId: string; position: number }>;

export const defineTrace = (sequelize: Sequelize) =>
  sequelize.define<TraceRow>(
    'trace',
    {
      id: key(),
      jobId: reference(),
      name: text(),
      tracing: json('tracing'),
      position: whole(),
      version: version(),
    },
    plainTable('trace'),
  );
