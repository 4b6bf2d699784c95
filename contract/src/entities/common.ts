import { UNIT_IDS } from '@zephyrcombe/core';
import { z } from 'zod';
import { composed, isVisible, oneLine } from './text.ts';

/** Names of rows are UUIDs, so that a phone without network could make them; in capitals they are the same. */
export const Id = z.uuid().toLowerCase();
/** Raised by one with every write; a write with an older one is refused with both versions. */
export const Version = z.int().min(0);
export const CalendarDate = z.iso.date();
/** Long before any vehicle here: an earlier date is a slip of the pen. */
const EARLIEST = '1900-01-01';
/** A date as it is entered now. Older books may hold others, and still have to be read. */
export const EnteredDate = CalendarDate.refine((day) => day >= EARLIEST, 'lies before 1900');
export const Instant = z.iso.datetime();
export const Name = z
  .string()
  .overwrite(oneLine)
  .trim()
  .min(1)
  .max(120)
  .refine((text) => text === '' || isVisible(text), 'needs a letter or figure that can be seen');
export const Note = z.string().overwrite(composed).trim().max(2000);

const unit = z.enum(UNIT_IDS);
export const UnitPreferencesSchema = z.strictObject({
  length: unit,
  distance: unit,
  torque: unit,
  pressure: unit,
  temperature: unit,
  volume: unit,
  angle: unit,
  fraction: unit,
});

/** Workshop lengths: a hose is shorter than 10 m. */
export const Length_m = z.number().positive().max(10);
export const Distance_m = z.number().min(0).max(2e9);
export const Angle_rad = z
  .number()
  .min(-Math.PI * 2)
  .max(Math.PI * 2);
/** What a person typed, kept beside the value as evidence. */
export const Typed = z.string().max(60);
