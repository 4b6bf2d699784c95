import type { PersonRecord, Shop, StockItem, Wrench } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  flag,
  json,
  key,
  optionalCalendarDate,
  optionalQuantity,
  optionalText,
  plainTable,
  quantity,
  text,
  version,
  whole,
} from '../../database/columns.ts';

export type ShopRow = Row<Shop>;
export type PersonRow = Row<PersonRecord & { passphraseHash: string }>;
export type StockItemRow = Row<StockItem>;
export type WrenchRow = Row<Wrench>;

export const defineShop = (sequelize: Sequelize) =>
  sequelize.define<ShopRow>(
    'shop',
    {
      id: key(),
      name: text(),
      slack_m: quantity(),
      movementMargin_m: quantity(),
      mostTwist_rad_per_m: quantity(),
      brakeWorkRule: text(),
      address: text(),
      phone: text(),
      fluidIntervalMonths: whole(),
      fluidIntervalDistance_m: optionalQuantity(),
      namesAtSignIn: flag('namesAtSignIn'),
      version: version(),
    },
    plainTable('shop'),
  );

export const definePerson = (sequelize: Sequelize) =>
  sequelize.define<PersonRow>(
    'person',
    {
      id: key(),
      name: text(),
      role: text(),
      units: json('units'),
      passphraseHash: text(),
      isRetired: flag('isRetired'),
      version: version(),
    },
    plainTable('person'),
  );

export const defineWrench = (sequelize: Sequelize) =>
  sequelize.define<WrenchRow>(
    'wrench',
    {
      id: key(),
      name: text(),
      minimum_Nm: optionalQuantity(),
      maximum_Nm: quantity(),
      calibratedOn: optionalCalendarDate(),
      serial: optionalText(),
      isRetired: flag('isRetired'),
      version: version(),
    },
    plainTable('wrench'),
  );

export const defineStockItem = (sequelize: Sequelize) =>
  sequelize.define<StockItemRow>(
    'stockItem',
    {
      key: { ...text(), primaryKey: true },
      onHand: whole(),
      version: version(),
    },
    plainTable('stock_item'),
  );
