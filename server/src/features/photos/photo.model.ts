import type { Photo } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  instant,
  key,
  optionalReference,
  optionalText,
  plainTable,
  reference,
  text,
  whole,
} from '../../database/columns.ts';

export type PhotoRow = Row<
  Omit<Photo, 'takenAt'> & {
    jobId: string;
    /** Of what stays with the vehicle, such as its bodywork; null for one of this job alone. */
    vehicleId: string | null;
    takenAt: Date;
    bytes: Buffer;
  }
>;

export const definePhoto = (sequelize: Sequelize) =>
  sequelize.define<PhotoRow>(
    'photo',
    {
      id: key(),
      jobId: reference(),
      vehicleId: optionalReference(),
      subject: text(),
      subjectId: reference(),
      mediaType: text(),
      width_px: whole(),
      height_px: whole(),
      size_bytes: whole(),
      bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
      step: optionalText(),
      takenBy: text(),
      takenById: optionalReference(),
      takenAt: instant(),
    },
    plainTable('photo'),
  );
