import type { Person, Shop, StockItem, Wrench } from '@zephyrcombe/contract';
import type { Sequelize } from 'sequelize';
import type { Row } from '../../database/columns.ts';
import {
  calendarDate,
  json,
  key,
  optionalQuantity,
  plainTable,
  quantity,
  reference,
  text,
  version,
  whole,
} from '../../database/columns.ts';

export type ShopRow = Row<Shop>;
export type PersonRow = Row<Person & { shopId: string; passphraseHash: string }>;
export type StockItemRow = Row<StockItem & { shopId: string }>;
export type WrenchRow = Row<Wrench & { shopId: string }>;

export const defineShop = (sequelize: Sequelize) =>
  sequelize.define<ShopRow>(
    'shop',
    {
      id: key(),
      name: text(),
      slack_m: quantity(),
      brakeWorkRule: text(),
      address: text(),
      phone: text(),
      fluidIntervalMonths: whole(),
      fluidIntervalDistance_m: optionalQuantity(),
      version: version(),
    },
    plainTable('shop'),
  );

export const definePerson = (sequelize: Sequelize) =>
  sequelize.define<PersonRow>(
    'person',
    {
      id: key(),
      shopId: reference(),
      name: text(),
      role: text(),
      units: json('units'),
      passphraseHash: text(),
      version: version(),
    },
    plainTable('person'),
  );

export const defineWrench = (sequelize: Sequelize) =>
  sequelize.define<WrenchRow>(
    'wrench',
    {
      id: key(),
      shopId: reference(),
      name: text(),
      maximum_Nm: quantity(),
      calibratedOn: { ...calendarDate(), allowNull: true },
    },
    plainTable('wrench'),
  );

export const defineStockItem = (sequelize: Sequelize) =>
  sequelize.define<StockItemRow>(
    'stockItem',
    {
      shopId: { ...reference(), primaryKey: true },
      key: { ...text(), primaryKey: true },
      onHand: whole(),
      version: version(),
    },
    plainTable('stock_item'),
  );
