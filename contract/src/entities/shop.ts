import { z } from 'zod';
import {
  CalendarDate,
  Distance_m,
  Id,
  Length_m,
  Name,
  Note,
  UnitPreferencesSchema,
  Version,
} from './common.ts';

export const PersonSchema = z.strictObject({
  id: Id,
  name: Name,
  role: z.enum(['lead', 'technician', 'apprentice']),
  units: UnitPreferencesSchema,
  version: Version,
});
export type Person = z.infer<typeof PersonSchema>;

export const ShopSchema = z.strictObject({
  id: Id,
  name: Name,
  slack_m: Length_m,
  /** Who may work on brakes here, in the shop's own words; empty when nobody has written it down. */
  brakeWorkRule: Note,
  /** As it stands on an order; empty until the lead writes it. */
  address: Note,
  phone: z.string().trim().max(60),
  fluidIntervalMonths: z.int().min(1).max(120),
  fluidIntervalDistance_m: Distance_m.nullable(),
  version: Version,
});
export type Shop = z.infer<typeof ShopSchema>;

export const WrenchSchema = z.strictObject({
  id: Id,
  name: Name,
  maximum_Nm: z.number().positive().max(1000),
  calibratedOn: CalendarDate.nullable(),
});
export type Wrench = z.infer<typeof WrenchSchema>;

/** A part as it is counted on the shelf. */
export const StockItemSchema = z.strictObject({
  key: z.string().trim().min(1).max(160),
  onHand: z.int().min(0).max(100_000),
  version: Version,
});
export type StockItem = z.infer<typeof StockItemSchema>;
