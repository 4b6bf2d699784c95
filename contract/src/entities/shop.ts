import { z } from 'zod';
import {
  CalendarDate,
  Distance_m,
  Id,
  Instant,
  Length_m,
  Name,
  Note,
  UnitPreferencesSchema,
  Version,
} from './common.ts';
import { ROLES } from '../roles.ts';
import { SerialSchema } from './pull.ts';

export const PersonSchema = z.strictObject({
  id: Id,
  name: Name,
  role: z.enum(ROLES),
  units: UnitPreferencesSchema,
  version: Version,
});
export type Person = z.infer<typeof PersonSchema>;

/** A person as the lead keeps them. Whoever is retired stays in the records and signs in no more. */
export const PersonRecordSchema = PersonSchema.extend({ isRetired: z.boolean() });
export type PersonRecord = z.infer<typeof PersonRecordSchema>;

/** Long enough that it is not found by trying; no rule about letters and figures. NIST SP 800-63B, ASVS 5 6.2. */
export const Passphrase = z.string().min(10).max(200);

/** A device on which somebody is signed in. */
export const SignInSchema = z.strictObject({
  id: z.string(),
  personId: Id,
  name: Name,
  since: Instant,
  lastSeenAt: Instant,
  address: z.string(),
  /** What the browser calls itself. */
  device: z.string(),
  isThisOne: z.boolean(),
});
export type SignIn = z.infer<typeof SignInSchema>;

export const ShopSchema = z.strictObject({
  id: Id,
  name: Name,
  slack_m: Length_m,
  /** A hose that is seen so much nearer to something than it is drawn re-opens its length. */
  movementMargin_m: z.number().min(0).max(0.1),
  /** More twist in a metre of hose, by its stripe, is a stop. */
  mostTwist_rad_per_m: z
    .number()
    .positive()
    .max(Math.PI / 6),
  /** Who may work on brakes here, in the shop's own words; empty when nobody has written it down. */
  brakeWorkRule: Note,
  /** As it stands on an order; empty until the lead writes it. */
  address: Note,
  phone: z.string().trim().max(60),
  fluidIntervalMonths: z.int().min(1).max(120),
  fluidIntervalDistance_m: Distance_m.nullable(),
  /** The names of its people stand on the sign-in page; otherwise everybody types their own. */
  namesAtSignIn: z.boolean(),
  version: Version,
});
export type Shop = z.infer<typeof ShopSchema>;

export const WrenchSchema = z.strictObject({
  id: Id,
  name: Name,
  /** Where its scale begins; null where nobody has said. */
  minimum_Nm: z.number().positive().max(1000).nullable(),
  maximum_Nm: z.number().positive().max(1000),
  calibratedOn: CalendarDate.nullable(),
  /** What a wrench that can be read calls itself; null for one that is read by eye. */
  serial: SerialSchema.nullable(),
  /** No longer in use; records name it still. */
  isRetired: z.boolean(),
  version: Version,
});
export type Wrench = z.infer<typeof WrenchSchema>;

/** A part as it is counted on the shelf. */
export const StockItemSchema = z.strictObject({
  key: z.string().trim().min(1).max(160),
  onHand: z.int().min(0).max(100_000),
  version: Version,
});
export type StockItem = z.infer<typeof StockItemSchema>;
