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

/** Every sense the code makes, the newest first; none where it makes no sense, or only in the future. */
export function readDateCode(text: string, today: string): readonly DateCodeReading[] {
  const now = parseDate(today);
  const readings: DateCodeReading[] = [];
  const add = (kind: DateCodeKind, from: CalendarDate | null, to: CalendarDate | null) => {
    if (!from || !to || from.compare(now) > 0 || now.year - from.year > OLDEST_years) return;
    const reading = { kind, from: from.toString(), to: (to.compare(now) > 0 ? now : to).toString() };
    if (!readings.some((other) => other.from === reading.from && other.kind === kind)) readings.push(reading);
  };
  const year = (digits: string) => (digits.length === 4 ? Number(digits) : century(Number(digits), now));
  const addMonth = (y: string, m: string) => {
    const first = dayOf(year(y), Number(m), 1);
    add('month', first, first && endOfMonth(first));
  };
  const addWeek = (y: string, w: string) => {
    const first = mondayOfWeek(year(y), Number(w));
    add('week', first, first && first.add({ days: 6 }));
  };
  const addDay = (y: string, m: string, d: string) => {
    const day = dayOf(year(y), Number(m), Number(d));
    add('day', day, day);
  };
  const addQuarter = (y: string, q: string) => {
    const first = dayOf(year(y), Number(q) * 3 - 2, 1);
    add('quarter', first, first && endOfMonth(first.add({ months: 2 })));
  };

  const code = text.trim().toUpperCase();
  const words = code.match(/\d+|[A-Z]+/g) ?? [];
  const [a = '', b = '', c = ''] = words.filter((word) => /^\d+$/.test(word));
  const letters = words.filter((word) => /^[A-Z]+$/.test(word)).join('');
  const shape = words.filter((word) => /^\d+$/.test(word)).map((word) => word.length);

  if (/^(W|WK|WEEK|KW)$/.test(letters) && shape.length === 2) {
    if (a.length === 4 || /^\d+\D*W|^\d{2}.*W\D*\d{1,2}$/.test(code)) addWeek(a, b);
    if (a.length <= 2 && (b.length === 2 || b.length === 4)) addWeek(b, a);
  } else if (/^Q$/.test(letters) && shape.length === 2) {
    if (a.length <= 1) addQuarter(b, a);
    else addQuarter(a, b);
  } else if (letters.length === 3 && MONTHS.includes(letters) && shape.length >= 1) {
    const month = String(MONTHS.indexOf(letters) + 1);
    if (shape.length === 1) addMonth(a, month);
    else addDay(b, month, a);
  } else if (letters !== '') {
    return [];
  } else if (shape.length === 3) {
    if (a.length === 4) addDay(a, b, c);
    else if (a.length <= 2 && b.length <= 2) {
      // Day first or month first: the figures decide where only one of them can be a month.
      addDay(c, a, b);
      addDay(c, b, a);
    }
  } else if (shape.length === 2) {
    if (a.length === 4) addMonth(a, b);
    else if (b.length === 4 || b.length === 2) {
      addMonth(b, a);
      if (a.length === 2 && b.length === 2) {
        addWeek(b, a);
        addMonth(a, b);
        addWeek(a, b);
      }
    }
  } else if (shape.length === 1) {
    if (a.length === 4) {
      const first = dayOf(Number(a), 1, 1);
      add('year', first, first && first.add({ years: 1, days: -1 }));
      addMonth(a.slice(2), a.slice(0, 2));
      addWeek(a.slice(2), a.slice(0, 2));
      addMonth(a.slice(0, 2), a.slice(2));
      addWeek(a.slice(0, 2), a.slice(2));
    } else if (a.length === 6) {
      addDay(a.slice(4), a.slice(0, 2), a.slice(2, 4));
      addDay(a.slice(4), a.slice(2, 4), a.slice(0, 2));
      addDay(a.slice(0, 2), a.slice(2, 4), a.slice(4));
      if (/^(19|20)/.test(a)) addMonth(a.slice(0, 4), a.slice(4));
      if (/^(19|20)/.test(a.slice(2))) addMonth(a.slice(2), a.slice(0, 2));
    } else if (a.length === 8) {
      addDay(a.slice(0, 4), a.slice(4, 6), a.slice(6));
      addDay(a.slice(4), a.slice(0, 2), a.slice(2, 4));
      addDay(a.slice(4), a.slice(2, 4), a.slice(0, 2));
    }
  }
  return readings.sort((left, right) => right.from.localeCompare(left.from));
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
