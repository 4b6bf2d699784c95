import type { Corner } from '@zephyrcombe/core';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import { json, key, plainTable, reference, version, whole } from '../../database/columns.ts';

export interface CornerColumns {
  id: string;
  vehicleId: string;
  position: number;
  /** The whole corner: it is read, drawn and solved as one. */
  corner: Corner;
  version: number;
}

export const defineCorner = (sequelize: Sequelize) =>
  sequelize.define<Row<CornerColumns>>(
    'corner',
    { id: key(), vehicleId: reference(), position: whole(), corner: json('corner'), version: version() },
    plainTable('corner'),
  );
