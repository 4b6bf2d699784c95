/** The shop's calendar and clock. Instants are kept in UTC; people read them where the shop stands. */

/** The calendar date of an instant in a time zone, ISO 8601. @throws RangeError for an unknown zone. */
export function dayIn(timeZone: string, instant: Date): string {
  const part = partsIn(timeZone, instant);
  return `${part('year')}-${part('month')}-${part('day')}`;
}

/** "14:05": the time of day of an instant in a time zone. @throws RangeError for an unknown zone. */
export function timeIn(timeZone: string, instant: Date): string {
  const part = partsIn(timeZone, instant);
  return `${part('hour')}:${part('minute')}`;
}

/** The zone this process runs in; on the server it is the shop's. */
export function ownTimeZone(): string {
  return new Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/** To make one takes longer than to use it a hundred times. */
const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(timeZone: string): Intl.DateTimeFormat {
  const known = formats.get(timeZone);
  if (known) return known;
  const format = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    calendar: 'gregory',
    numberingSystem: 'latn',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  });
  formats.set(timeZone, format);
  return format;
}

function partsIn(timeZone: string, instant: Date): (type: Intl.DateTimeFormatPartTypes) => string {
  const parts = formatOf(timeZone).formatToParts(instant);
  return (type) => parts.find((part) => part.type === type)?.value ?? '';
}
