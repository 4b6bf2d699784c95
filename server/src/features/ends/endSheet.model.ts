import type { EndFamily, EndGeometry } from '@zephyrcombe/core';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import { instant, json, key, optionalReference, plainTable, quantity, text } from '../../database/columns.ts';

export interface EndSheetColumns {
  id: string;
  family: EndFamily;
  neckAngle_rad: number;
  end: EndGeometry;
  at: Date;
  by: string;
  byId: string | null;
}

/** Dimensions of an end as its maker's sheet gives them or as they were measured: rows are added, the newest of a kind counts. */
export const defineEndSheet = (sequelize: Sequelize) =>
  sequelize.define<Row<EndSheetColumns>>(
    'endSheet',
    {
      id: key(),
      family: text(),
      neckAngle_rad: quantity(),
      end: json('end'),
      at: instant(),
      by: text(),
      byId: optionalReference(),
    },
    plainTable('end_sheet'),
  );
