/** Routes of signing in, of people, wrenches, ends, stock and what the shop has settled. */
import { ADDRESSES } from '../addresses.ts';
import { z } from 'zod';
import { EnteredDate, Id, Name, Note, UnitPreferencesSchema, Version } from '../entities/common.ts';
import { SessionSchema } from '../entities/job.ts';
import {
  Passphrase,
  PersonRecordSchema,
  PersonSchema,
  ShopSchema,
  SignInSchema,
  StockItemSchema,
  WrenchSchema,
} from '../entities/shop.ts';
import { MOST_TIMES } from '../entities/fitting.ts';
import { WrenchLinkSchema } from '../entities/pull.ts';
import { KnownEndSchema } from '../entities/vehicle.ts';
import { route, page, PAGE } from './route.ts';

const People = z.strictObject({ items: z.array(PersonRecordSchema) });
const Wrenches = z.strictObject({ items: z.array(WrenchSchema) });
const WrenchFields = WrenchSchema.pick({
  name: true,
  minimum_Nm: true,
  maximum_Nm: true,
}).extend({
  calibratedOn: EnteredDate.nullable(),
  serial: WrenchSchema.shape.serial.optional(),
});
export const SHOP_ROUTES = {
  getSession: route({
    ...ADDRESSES.getSession,
    summary: 'Who is signed in, and who may sign in',
    reply: SessionSchema,
  }),
  signIn: route({
    ...ADDRESSES.signIn,
    summary: 'Sign in',
    body: z.strictObject({ name: Name, passphrase: z.string().min(1).max(200) }),
    reply: SessionSchema,
  }),
  signOut: route({
    ...ADDRESSES.signOut,
    summary: 'Sign out',
    reply: SessionSchema,
  }),
  setUnits: route({
    ...ADDRESSES.setUnits,
    summary: 'Choose the units you read',
    body: z.strictObject({ version: Version, units: UnitPreferencesSchema }),
    reply: PersonSchema,
  }),
  setUp: route({
    ...ADDRESSES.setUp,
    summary: 'Open an empty book: the shop, and its lead, who is then signed in',
    body: z.strictObject({
      shopName: Name,
      leadName: Name,
      passphrase: Passphrase,
      units: UnitPreferencesSchema,
    }),
    reply: SessionSchema,
  }),
  changePassphrase: route({
    ...ADDRESSES.changePassphrase,
    summary: 'Choose another passphrase; every other sign-in of yours ends',
    body: z.strictObject({ current: z.string().min(1).max(200), passphrase: Passphrase }),
    reply: SessionSchema,
  }),
  listSignIns: route({
    ...ADDRESSES.listSignIns,
    summary: 'Devices on which you are signed in; the lead sees everybody’s',
    reply: z.strictObject({ items: z.array(SignInSchema) }),
  }),
  endSignIn: route({
    ...ADDRESSES.endSignIn,
    summary: 'End a sign-in on another device',
    params: z.strictObject({ signInId: z.string().regex(/^[0-9a-f]{64}$/) }),
    reply: z.strictObject({ items: z.array(SignInSchema) }),
  }),
  listPeople: route({
    ...ADDRESSES.listPeople,
    summary: 'Everybody who works or worked here',
    reply: People,
  }),
  addPerson: route({
    ...ADDRESSES.addPerson,
    summary: 'Enter a person',
    body: z.strictObject({
      id: Id,
      name: Name,
      role: PersonSchema.shape.role,
      passphrase: Passphrase,
    }),
    reply: People,
  }),
  editPerson: route({
    ...ADDRESSES.editPerson,
    summary: 'Rename a person, give another role, retire or take back',
    params: z.strictObject({ personId: Id }),
    body: z.strictObject({
      version: Version,
      name: Name.optional(),
      role: PersonSchema.shape.role.optional(),
      isRetired: z.boolean().optional(),
    }),
    reply: People,
  }),
  resetPassphrase: route({
    ...ADDRESSES.resetPassphrase,
    summary: 'Give a person a new passphrase; all their sign-ins end',
    params: z.strictObject({ personId: Id }),
    body: z.strictObject({ passphrase: Passphrase }),
    reply: People,
  }),
  listWrenches: route({
    ...ADDRESSES.listWrenches,
    summary: 'The shop’s torque wrenches',
    reply: Wrenches,
  }),
  getStepTimes: route({
    ...ADDRESSES.getStepTimes,
    summary:
      'How long steps of fitting took in the shop’s jobs, the newest of each kind; one job may be left out',
    query: z.strictObject({ without: Id.optional() }),
    reply: z.strictObject({
      items: z.array(
        z.strictObject({ kind: z.string(), durations_s: z.array(z.number().positive()).max(MOST_TIMES) }),
      ),
    }),
  }),
  getWrenchLink: route({
    ...ADDRESSES.getWrenchLink,
    summary: 'Whether a torque wrench that can be read is connected, and which',
    reply: WrenchLinkSchema,
  }),
  addWrench: route({
    ...ADDRESSES.addWrench,
    summary: 'Enter a torque wrench',
    body: WrenchFields.extend({ id: Id }),
    reply: Wrenches,
  }),
  editWrench: route({
    ...ADDRESSES.editWrench,
    summary: 'Correct a wrench, note its calibration, put it out of use',
    params: z.strictObject({ wrenchId: Id }),
    body: WrenchFields.partial().extend({ version: Version, isRetired: z.boolean().optional() }),
    reply: Wrenches,
  }),

  getShop: route({
    ...ADDRESSES.getShop,
    summary: 'What the shop has settled for itself',
    reply: ShopSchema,
  }),
  editShop: route({
    ...ADDRESSES.editShop,
    summary: 'Write what the shop has settled: its name, rules, slack and intervals',
    body: z.strictObject({
      version: Version,
      brakeWorkRule: Note.optional(),
      address: Note.optional(),
      phone: ShopSchema.shape.phone.optional(),
      name: Name.optional(),
      namesAtSignIn: z.boolean().optional(),
      fluidIntervalMonths: ShopSchema.shape.fluidIntervalMonths.optional(),
      fluidIntervalDistance_m: ShopSchema.shape.fluidIntervalDistance_m.optional(),
      slack_m: ShopSchema.shape.slack_m.optional(),
      movementMargin_m: ShopSchema.shape.movementMargin_m.optional(),
      mostTwist_rad_per_m: ShopSchema.shape.mostTwist_rad_per_m.optional(),
    }),
    reply: ShopSchema,
  }),

  getKnownEnds: route({
    ...ADDRESSES.getKnownEnds,
    summary: 'Ends whose take-offs were read from a maker’s sheet or measured, the newest of each kind',
    reply: z.strictObject({ items: z.array(KnownEndSchema) }),
  }),
  getStock: route({
    ...ADDRESSES.getStock,
    summary: 'What lies on the shelf, by part, a page at a time',
    query: z.strictObject({
      /** These parts only. */
      key: z.union([StockItemSchema.shape.key, z.array(StockItemSchema.shape.key).max(100)]).optional(),
      ...PAGE,
      limit: PAGE.limit.default(100),
    }),
    reply: page(StockItemSchema),
  }),
  countStock: route({
    ...ADDRESSES.countStock,
    summary: 'Write how many of a part lie on the shelf; a new part has no version',
    body: StockItemSchema.omit({ version: true }).extend({ version: Version.nullable() }),
    reply: StockItemSchema,
  }),
} as const;
