/** The few column kinds we use, with the traps of MariaDB behind a mysql connector handled in one place. */
import type { Model, ModelAttributeColumnOptions } from 'sequelize';
import { DataTypes } from 'sequelize';

/** A row as Sequelize hands it out, with its columns typed. */
export type Row<Columns extends object> = Model<Columns, Columns> & Columns;

type Column = ModelAttributeColumnOptions;

export const key = (): Column => ({ type: DataTypes.UUID, primaryKey: true, allowNull: false });
export const reference = (): Column => ({ type: DataTypes.UUID, allowNull: false });
export const optionalReference = (): Column => ({ type: DataTypes.UUID, allowNull: true });
export const text = (): Column => ({ type: DataTypes.TEXT, allowNull: false });
export const optionalText = (): Column => ({ type: DataTypes.TEXT, allowNull: true });
export const quantity = (): Column => ({ type: DataTypes.DOUBLE, allowNull: false });
export const optionalQuantity = (): Column => ({ type: DataTypes.DOUBLE, allowNull: true });
export const whole = (): Column => ({ type: DataTypes.INTEGER, allowNull: false });
export const optionalWhole = (): Column => ({ type: DataTypes.INTEGER, allowNull: true });
export const calendarDate = (): Column => ({ type: DataTypes.DATEONLY, allowNull: false });
export const optionalCalendarDate = (): Column => ({ type: DataTypes.DATEONLY, allowNull: true });
export const instant = (): Column => ({ type: DataTypes.DATE(3), allowNull: false });
export const optionalInstant = (): Column => ({ type: DataTypes.DATE(3), allowNull: true });
export const version = (): Column => ({ type: DataTypes.INTEGER, allowNull: false, defaultValue: 0 });

/** TINYINT(1) comes back as 0 or 1. */
export const flag = (name: string): Column => ({
  type: DataTypes.BOOLEAN,
  allowNull: false,
  get(this: Model) {
    return Boolean(this.getDataValue(name));
  },
});

/** MariaDB stores JSON as checked text and says so to the connector, which therefore hands out text. */
export const json = (name: string, allowNull = false): Column => ({
  type: DataTypes.JSON,
  allowNull,
  get(this: Model): unknown {
    const stored: unknown = this.getDataValue(name);
    return typeof stored === 'string' ? JSON.parse(stored) : stored;
  },
});

/** Options every table shares: our own names, no hidden time stamps. */
export const plainTable = (tableName: string) => ({ tableName, timestamps: false, underscored: false });
