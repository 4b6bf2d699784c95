/** When the fluid is due again: by date and by distance, whichever comes first. */
import { parseDate } from '@internationalized/date';
import { date, distance, months } from '../calculation/quantity.ts';
import { firstNotPositive } from '../calculation/problem.ts';
import type { Result } from '../calculation/result.ts';
import { calculated, problem } from '../calculation/result.ts';
import type { Formula, WorkingStep } from '../calculation/working.ts';
import { term } from '../calculation/working.ts';
import type { Caution } from '../mistakes/caution.ts';
import { demand, unphysical } from '../calculation/physical.ts';
import type { Problem } from '../calculation/problem.ts';

const DUE_DATE: Formula = { expression: 'due = serviced + interval', source: 'fluidInterval' };
const DUE_DISTANCE: Formula = { expression: 'due = distance + interval', source: 'fluidInterval' };

/** An opened bottle older than this has drunk from the air (schools D26, M78). */
const BOTTLE_MONTHS = 6;
/** Ahead of the date, so that an appointment can still be made. */
const SOON_DAYS = 42;
const SOON_FRACTION = 0.1;

export interface ServiceInterval {
  readonly intervalMonths: number;
  /** `null`: only time counts. */
  readonly intervalDistance_m: number | null;
}

export interface NextDue {
  /** Calendar date, ISO 8601. */
  readonly dueOn: string;
  readonly dueDistance_m: number | null;
}

/** The earlier of the shop's interval and the vehicle maker's, for months and distance each. */
export function strictestInterval(shop: ServiceInterval, maker: ServiceInterval | null): ServiceInterval {
  for (const interval of [shop, maker ?? shop])
    demand(unphysical(interval, { positive: ['intervalMonths', 'intervalDistance_m'] }));
  if (maker === null) return shop;
  const distances_m = [shop.intervalDistance_m, maker.intervalDistance_m].filter((value) => value !== null);
  return {
    intervalMonths: Math.min(shop.intervalMonths, maker.intervalMonths),
    intervalDistance_m: distances_m.length > 0 ? Math.min(...distances_m) : null,
  };
}

/**
 * Next due date and distance. A month that is too short takes its last day: 31 August + 6 months is the last of
 * February. `distance_m` may be null for a vehicle without an odometer.
 */
export function nextDue(
  servicedOn: string,
  distance_m: number | null,
  interval: ServiceInterval,
): Result<NextDue> {
  const refused = firstNotPositive({
    intervalMonths: interval.intervalMonths,
    ...(interval.intervalDistance_m === null ? {} : { intervalDistance_m: interval.intervalDistance_m }),
  });
  if (refused) return problem(refused);
  const unsound =
    unphysical({ distance_m }, { notNegative: ['distance_m'] }) ?? monthsProblem(interval.intervalMonths);
  if (unsound) return problem(unsound);

  const dueOn = parseDate(servicedOn).add({ months: interval.intervalMonths }).toString();
  const working: WorkingStep[] = [
    {
      formula: DUE_DATE,
      inputs: [
        term('serviced', 'servicedOn', date(servicedOn)),
        term('interval', 'intervalMonths', months(interval.intervalMonths)),
      ],
      result: term('due', 'dueOn', date(dueOn)),
    },
  ];
  let dueDistance_m: number | null = null;
  if (distance_m !== null && interval.intervalDistance_m !== null) {
    dueDistance_m = distance_m + interval.intervalDistance_m;
    working.push({
      formula: DUE_DISTANCE,
      inputs: [
        term('distance', 'distanceAtService', distance(distance_m)),
        term('interval', 'intervalDistance', distance(interval.intervalDistance_m)),
      ],
      result: term('due', 'dueDistance', distance(dueDistance_m)),
    });
  }
  return calculated({ dueOn, dueDistance_m }, working);
}

/** Months are counted whole, and nobody plans for longer than a lifetime. */
const MOST_MONTHS = 1200;
function monthsProblem(intervalMonths: number): Problem | null {
  if (intervalMonths > MOST_MONTHS) return { code: 'tooLarge', field: 'intervalMonths' };
  return Number.isInteger(intervalMonths)
    ? null
    : { code: 'notPositive', field: 'intervalMonths', value: intervalMonths };
}

/** From the least urgent on. */
export const DUE_STATES = ['later', 'soon', 'overdue'] as const;
export type DueState = (typeof DUE_STATES)[number];

/** The last due date that counts as soon today, calendar date, ISO 8601. */
export const soonUntil = (today: string): string => parseDate(today).add({ days: SOON_DAYS }).toString();

/** Where a vehicle stands against its due date today. */
export function judgeDueDate(dueOn: string, today: string): DueState {
  if (dueOn < today) return 'overdue';
  return dueOn <= soonUntil(today) ? 'soon' : 'later';
}

/** Where a vehicle stands against its due distance, whatever the day; `later` where either is not known. */
export function judgeDueDistance(
  dueDistance_m: number | null,
  distance_m: number | null,
  intervalDistance_m: number | null,
): DueState {
  demand(
    unphysical(
      { dueDistance_m, distance_m, intervalDistance_m },
      { notNegative: ['distance_m', 'dueDistance_m'], positive: ['intervalDistance_m'] },
    ),
  );
  if (dueDistance_m === null || distance_m === null) return 'later';
  const left_m = dueDistance_m - distance_m;
  if (left_m < 0) return 'overdue';
  return left_m <= SOON_FRACTION * (intervalDistance_m ?? 0) ? 'soon' : 'later';
}

/** Where a vehicle stands against its due date and distance today: whichever is more urgent. */
export function judgeDue(
  due: NextDue,
  today: string,
  distance_m: number | null,
  intervalDistance_m: number | null,
): DueState {
  const byDate = judgeDueDate(due.dueOn, today);
  const byDistance = judgeDueDistance(due.dueDistance_m, distance_m, intervalDistance_m);
  return DUE_STATES.indexOf(byDate) > DUE_STATES.indexOf(byDistance) ? byDate : byDistance;
}

/** M78 for a bottle that was opened more than six months before the service. */
export function judgeBottle(openedOn: string, servicedOn: string): readonly Caution[] {
  const opened = parseDate(openedOn);
  const serviced = parseDate(servicedOn);
  if (opened.add({ months: BOTTLE_MONTHS }).compare(serviced) >= 0) return [];
  const whole =
    (serviced.year - opened.year) * 12 + serviced.month - opened.month - (serviced.day < opened.day ? 1 : 0);
  return [{ id: 'M78', evidence: { openedOn, months: whole } }];
}
