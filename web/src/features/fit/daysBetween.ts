import { parseDate } from '@internationalized/date';

/** Whole days from one calendar date to another. */
export const daysBetween = (from: string, to: string): number => parseDate(to).compare(parseDate(from));
