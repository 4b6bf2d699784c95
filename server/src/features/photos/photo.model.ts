import type { Photo } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  instant,
  key,
  optionalReference,
  plainTable,
  reference,
  text,
  whole,
} from '../../database/columns.ts';

export type PhotoRow = Row<Omit<Photo, 'takenAt'> & { jobId: string; takenAt: Date; bytes: Buffer }>;

export const definePhoto = (sequelize: Sequelize) =>
  sequelize.define<PhotoRow>(
    'photo',
    {
      id: key(),
      jobId: reference(),
      subject: text(),
      subjectId: reference(),
      mediaType: text(),
      width_px: whole(),
      height_px: whole(),
      size_bytes: whole(),
      bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
      takenBy: text(),
      takenById: optionalReference(),
      takenAt: instant(),
    },
    plainTable('photo'),
  );
