/** Whether a torque wrench was calibrated within the time for which it is trusted. */
import { parseDate } from '@internationalized/date';

/** ISO 6789-2: twelve months of use, or 5,000 turns, where nobody has settled less (from memory). */
const TRUSTED_MONTHS = 12;

export type Calibration = 'fresh' | 'stale' | 'unknown';

/** Days as year-month-day. The day on which a year is over still counts; a day that is still to come says nothing. */
export function judgeCalibration(calibratedOn: string | null, today: string): Calibration {
  if (calibratedOn === null || calibratedOn > today) return 'unknown';
  return parseDate(calibratedOn).add({ months: TRUSTED_MONTHS }).compare(parseDate(today)) < 0
    ? 'stale'
    : 'fresh';
}
