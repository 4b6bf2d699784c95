import type { Finding, Photo } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import { instant, key, optionalText, plainTable, reference, text, whole } from '../../database/columns.ts';

export type FindingRow = Row<Omit<Finding, 'foundAt'> & { jobId: string; foundAt: Date }>;
export type PhotoRow = Row<Omit<Photo, 'takenAt'> & { takenAt: Date; bytes: Buffer }>;

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
      foundAt: instant(),
      struckBecause: optionalText(),
    },
    plainTable('finding'),
  );

export const definePhoto = (sequelize: Sequelize) =>
  sequelize.define<PhotoRow>(
    'photo',
    {
      id: key(),
      findingId: reference(),
      mediaType: text(),
      width_px: whole(),
      height_px: whole(),
      size_bytes: whole(),
      bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
      takenBy: text(),
      takenAt: instant(),
    },
    plainTable('photo'),
  );
