/**
 * Date codes as they are printed and stamped on hose: month and year, week and year, quarter and year, in either
 * order. Four figures often read two ways; then both are given, and the person who holds the hose decides.
 */
import { CalendarDate, endOfMonth, parseDate, startOfWeek } from '@internationalized/date';

export const DATE_CODE_KINDS = ['day', 'month', 'week', 'quarter', 'year'] as const;
export type DateCodeKind = (typeof DATE_CODE_KINDS)[number];

export interface DateCodeReading {
  readonly kind: DateCodeKind;
  /** First and last calendar day that the code may mean, ISO 8601. */
  readonly from: string;
  readonly to: string;
}

/** Older than this is not a hose somebody would ask about. */
const OLDEST_years = 40;

const century = (twoDigits: number, today: CalendarDate) => {
  const year = Math.floor(today.year / 100) * 100 + twoDigits;
  return year > today.year ? year - 100 : year;
};

/** Year, month or week or quarter, and day, as figures; only what a calendar has becomes a reading. */
class Readings {
  readonly found: DateCodeReading[] = [];
  private readonly now: CalendarDate;

  constructor(now: CalendarDate) {
    this.now = now;
  }

  private add(kind: DateCodeKind, from: CalendarDate | null, to: CalendarDate | null): void {
    const { now, found } = this;
    if (!from || !to || from.compare(now) > 0 || now.year - from.year > OLDEST_years) return;
    const reading = { kind, from: from.toString(), to: (to.compare(now) > 0 ? now : to).toString() };
    if (!found.some((other) => other.from === reading.from && other.kind === kind)) found.push(reading);
  }

  private yearOf(digits: string): number {
    return digits.length === 4 ? Number(digits) : century(Number(digits), this.now);
  }

  year(y: string): void {
    const first = dayOf(this.yearOf(y), 1, 1);
    this.add('year', first, first && first.add({ years: 1, days: -1 }));
  }
  month(y: string, m: string): void {
    const first = dayOf(this.yearOf(y), Number(m), 1);
    this.add('month', first, first && endOfMonth(first));
  }
  week(y: string, w: string): void {
    const first = mondayOfWeek(this.yearOf(y), Number(w));
    this.add('week', first, first && first.add({ days: 6 }));
  }
  day(y: string, m: string, d: string): void {
    const day = dayOf(this.yearOf(y), Number(m), Number(d));
    this.add('day', day, day);
  }
  quarter(y: string, q: string): void {
    const first = dayOf(this.yearOf(y), Number(q) * 3 - 2, 1);
    this.add('quarter', first, first && endOfMonth(first.add({ months: 2 })));
  }
}

/** Every sense the code makes, the newest first; none where it makes no sense, or only in the future. */
export function readDateCode(text: string, today: string): readonly DateCodeReading[] {
  const readings = new Readings(parseDate(today));
  const code = text.trim().toUpperCase();
  const words = code.match(/\d+|[A-Z]+/g) ?? [];
  const figures = words.filter((word) => /^\d+$/.test(word));
  const letters = words.filter((word) => /^[A-Z]+$/.test(word)).join('');
  if (letters === '') readFigures(figures, readings);
  else readLettered(code, letters, figures, readings);
  return readings.found.sort((left, right) => right.from.localeCompare(left.from));
}

/** Letters that say what a figure is: a week, a quarter, the name of a month. */
function readLettered(code: string, letters: string, figures: readonly string[], readings: Readings): void {
  const [a = '', b = ''] = figures;
  if (/^(W|WK|WEEK|KW)$/.test(letters) && figures.length === 2) {
    if (a.length === 4 || /^\d+\D*W|^\d{2}.*W\D*\d{1,2}$/.test(code)) readings.week(a, b);
    if (a.length <= 2 && (b.length === 2 || b.length === 4)) readings.week(b, a);
  } else if (letters === 'Q' && figures.length === 2) {
    if (a.length <= 1) readings.quarter(b, a);
    else readings.quarter(a, b);
  } else if (letters.length === 3 && MONTHS.includes(letters) && figures.length >= 1) {
    const month = String(MONTHS.indexOf(letters) + 1);
    if (figures.length === 1) readings.month(a, month);
    else readings.day(b, month, a);
  }
}

function readFigures(figures: readonly string[], readings: Readings): void {
  const [a = '', b = '', c = ''] = figures;
  if (figures.length === 1) readRun(a, readings);
  else if (figures.length === 2) readPair(a, b, readings);
  else if (figures.length === 3) {
    if (a.length === 4) readings.day(a, b, c);
    else if (a.length <= 2 && b.length <= 2) {
      // Day first or month first: the figures decide where only one of them can be a month.
      readings.day(c, a, b);
      readings.day(c, b, a);
    }
  }
}

function readPair(a: string, b: string, readings: Readings): void {
  if (a.length === 4) readings.month(a, b);
  else if (b.length === 4 || b.length === 2) {
    readings.month(b, a);
    if (a.length === 2 && b.length === 2) {
      readings.week(b, a);
      readings.month(a, b);
      readings.week(a, b);
    }
  }
}

/** Figures with nothing between them. */
function readRun(run: string, readings: Readings): void {
  const part = (from: number, to?: number) => run.slice(from, to);
  if (run.length === 4) {
    readings.year(run);
    readings.month(part(2), part(0, 2));
    readings.week(part(2), part(0, 2));
    readings.month(part(0, 2), part(2));
    readings.week(part(0, 2), part(2));
  } else if (run.length === 6) {
    readings.day(part(4), part(0, 2), part(2, 4));
    readings.day(part(4), part(2, 4), part(0, 2));
    readings.day(part(0, 2), part(2, 4), part(4));
    if (/^(19|20)/.test(run)) readings.month(part(0, 4), part(4));
    if (/^(19|20)/.test(part(2))) readings.month(part(2), part(0, 2));
  } else if (run.length === 8) {
    readings.day(part(0, 4), part(4, 6), part(6));
    readings.day(part(4), part(0, 2), part(2, 4));
    readings.day(part(4), part(2, 4), part(0, 2));
  }
}

const MONTHS = ['JAN', 'FEB', 'MAR', 'APR', 'MAY', 'JUN', 'JUL', 'AUG', 'SEP', 'OCT', 'NOV', 'DEC'];

function dayOf(year: number, month: number, day: number): CalendarDate | null {
  // CalendarDate would pull 31 February in; here it means that the code was read the wrong way.
  if (!(year >= 1900) || month < 1 || month > 12 || day < 1) return null;
  const date = new CalendarDate(year, month, day);
  return date.month === month && date.day === day ? date : null;
}

/** ISO 8601: week 1 holds the year's first Thursday. */
function mondayOfWeek(year: number, week: number): CalendarDate | null {
  if (!(year >= 1900) || week < 1 || week > 53) return null;
  const first = startOfWeek(new CalendarDate(year, 1, 4), 'en-GB', 'mon');
  const monday = first.add({ weeks: week - 1 });
  return week === 53 && monday.add({ days: 3 }).year !== year ? null : monday;
}
