import type { Reading } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  instant,
  json,
  key,
  optionalQuantity,
  optionalText,
  plainTable,
  quantity,
  optionalReference,
  reference,
  text,
} from '../../database/columns.ts';

export type ReadingRow = Row<Omit<Reading, 'takenAt'> & { jobId: string; takenAt: Date }>;

export const defineReading = (sequelize: Sequelize) =>
  sequelize.define<ReadingRow>(
    'reading',
    {
      id: key(),
      jobId: reference(),
      hoseId: reference(),
      pose: text(),
      length_m: quantity(),
      typed: text(),
      datum: json('datum'),
      aid: text(),
      uncertainty_m: optionalQuantity(),
      remainingTravel_m: quantity(),
      wrap: json('wrap', true),
      tightBends: json('tightBends', true),
      takenBy: text(),
      takenById: optionalReference(),
      takenAt: instant(),
      struckBecause: optionalText(),
    },
    plainTable('reading'),
  );
