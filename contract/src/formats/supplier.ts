/** What the shop and a parts supplier say to each other: `docs/formats/parts-supplier.md`. */
import { z } from 'zod';
import { CalendarDate, Id } from '../entities/common.ts';
import { KitFoundSchema } from '../entities/hoseBuild.ts';

export const QuoteSchema = z.strictObject({
  quote: z.string().min(1).max(60),
  /** In the supplier's own money, in hundredths. */
  currency: z.string().min(1).max(20),
  lines: z
    .array(
      z.strictObject({
        text: z.string().max(300),
        count: z.int().min(1),
        each: z.int().min(0),
      }),
    )
    .max(200),
  total: z.int().min(0),
  days: z.int().min(0).max(365),
  /** What he does not make, and why. */
  refused: z.array(z.strictObject({ text: z.string().max(300), why: z.string().max(300) })).max(200),
});
export type Quote = z.infer<typeof QuoteSchema>;

export const ConfirmationSchema = z.strictObject({
  order: z.string().min(1).max(60),
  confirmedOn: CalendarDate,
  expectedOn: CalendarDate,
});
export type Confirmation = z.infer<typeof ConfirmationSchema>;

/** Ways in which a box may be wrong; the simulated supplier is asked for one by name. */
export const MISDELIVERIES = [
  'none',
  'short',
  'long',
  'otherBend',
  'otherEye',
  'otherThread',
  'fewWashers',
  'unmarked',
  'undated',
  'blocked',
] as const;
export type Misdelivery = (typeof MISDELIVERIES)[number];

/** What a tape, a calliper and a look would find in the simulated box. */
export const ParcelSchema = z.strictObject({
  order: z.string().min(1).max(60),
  items: z.array(z.strictObject({ hoseId: Id, found: KitFoundSchema })).max(20),
});
export type Parcel = z.infer<typeof ParcelSchema>;

/** How far an order is. */
export const SupplySchema = z.strictObject({
  quote: QuoteSchema,
  /** Of what was quoted; left out where that was not kept. */
  digest: z.string().length(64).nullish(),
  confirmation: ConfirmationSchema.nullable(),
  parcel: ParcelSchema.nullable(),
});
export type Supply = z.infer<typeof SupplySchema>;
