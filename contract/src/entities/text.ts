/** Text that people type, brought into one form: what looks the same is the same, and nothing hides in it. */

/** Unicode's composed form; a line ends in one way. */
export const composed = (text: string): string => text.normalize('NFC').replace(/\r\n?/g, '\n');

/** As `composed`, on one line: line breaks and tabs together are a space. */
export const oneLine = (text: string): string =>
  text.normalize('NFC').replace(/[\t\n\v\f\r\u0085\u2028\u2029]+/g, ' ');

/** Letters by their class that leave no ink. */
const FILLERS = /[\u115f\u1160\u2800\u3164\uffa0]/gu;

/** Whether anything of it can be seen. */
export const isVisible = (text: string): boolean => /[\p{L}\p{N}\p{P}\p{S}]/u.test(text.replace(FILLERS, ''));

/**
 * Control characters other than line break and tab, halves of surrogate pairs, and marks that turn the direction of what follows:
 * none of them belongs in a record.
 */
const UNPRINTABLE = /(?![\n\r\t])[\p{Cc}\p{Cs}\u202a-\u202e\u2066-\u2069]/u;

/** Where in a body, query or address something stands that cannot be printed; null where nothing does. Keys are looked at too. */
export function unprintableIn(value: unknown, at = ''): string | null {
  if (typeof value === 'string') return UNPRINTABLE.test(value) ? at : null;
  if (typeof value !== 'object' || value === null) return null;
  for (const [key, inner] of Object.entries(value)) {
    const place = at === '' ? key : `${at}.${key}`;
    if (UNPRINTABLE.test(key)) return at === '' ? '(body)' : at;
    const found = unprintableIn(inner, place);
    if (found !== null) return found;
  }
  return null;
}
