/** Brackets, clips, mount bolts and bleed nipples that a job takes off and puts on again: what holds a hose holds it afterwards too. */
import { z } from 'zod';
import { Id, Instant, Name, Typed, Version } from './common.ts';

export const ITEM_KINDS = ['bracket', 'clip', 'mountBolt', 'nipple'] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];
/** It is tightened: to a figure, or by feel. */
export const isTightened = (kind: ItemKind): boolean => kind === 'mountBolt' || kind === 'nipple';
export const ITEM_HANDLINGS = ['refit', 'replace'] as const;

export const JobItemSchema = z.strictObject({
  id: Id,
  kind: z.enum(ITEM_KINDS),
  name: Name,
  handling: z.enum(ITEM_HANDLINGS),
  /** Null until it is on again. */
  done: z
    .strictObject({
      by: Name,
      byId: Id,
      at: Instant,
      /** Null: tightened by feel, there was no figure. */
      torque_Nm: z.number().positive().max(400).nullable(),
      typed: Typed,
    })
    .nullable(),
  version: Version,
});
export type JobItem = z.infer<typeof JobItemSchema>;
