/**
 * The threads that the finder tells apart: the metric selection of ISO 262 from 6 to 14 mm, the fine pitches that tube
 * nuts add to it, and the Unified fine and special threads of the same sizes. Extra-fine pitches that no brake part
 * carries are left out on purpose: a candidate that is never met would only blur the answer.
 */
import { isoMetric } from './isoMetric.ts';
import type { Thread } from './thread.ts';
import { unified } from './unified.ts';

export const THREADS: readonly Thread[] = [
  isoMetric(6, 1, ['bleedNipple', 'general']),
  isoMetric(7, 1, ['bleedNipple']),
  isoMetric(8, 1, ['bleedNipple', 'general']),
  isoMetric(8, 1.25, ['bleedNipple', 'general']),
  isoMetric(10, 1, ['banjoBolt', 'tubeNut', 'bleedNipple']),
  isoMetric(10, 1.25, ['banjoBolt', 'general']),
  isoMetric(10, 1.5, ['general']),
  isoMetric(12, 1, ['banjoBolt', 'tubeNut']),
  isoMetric(12, 1.25, ['general']),
  isoMetric(12, 1.5, ['general']),
  isoMetric(12, 1.75, ['general']),
  isoMetric(14, 1.5, ['general']),
  isoMetric(14, 2, ['general']),
  unified('1/4', 1 / 4, 28, 'UNF', ['bleedNipple', 'general']),
  unified('5/16', 5 / 16, 24, 'UNF', ['bleedNipple', 'general']),
  unified('3/8', 3 / 8, 24, 'UNF', ['banjoBolt', 'tubeNut', 'bleedNipple']),
  unified('7/16', 7 / 16, 20, 'UNF', ['banjoBolt', 'general']),
  unified('7/16', 7 / 16, 24, 'UNS', ['banjoBolt', 'tubeNut']),
  unified('1/2', 1 / 2, 20, 'UNF', ['tubeNut', 'general']),
  unified('9/16', 9 / 16, 18, 'UNF', ['tubeNut', 'general']),
];

/** Spaces, multiplication signs and trailing zeros made alike: "M10 x 1" and "M10×1.0" are one thread; a series letter may be left out. */
export const plainThread = (text: string): string =>
  text
    .toLowerCase()
    .replace(/\s/g, '')
    .replace(/[×*]/g, 'x')
    .replace(/(\.\d*?)0+$/, '$1')
    .replace(/\.$/, '')
    .replace(/un[cfs]$/, '');

export const sameThread = (left: string, right: string): boolean => plainThread(left) === plainThread(right);

/** The thread of that designation, however it is spelled; null when the catalogue does not hold it. */
export function threadNamed(designation: string): Thread | null {
  const exact = THREADS.find((thread) => thread.designation === designation);
  if (exact) return exact;
  const wanted = plainThread(designation);
  return THREADS.find((thread) => plainThread(thread.designation) === wanted) ?? null;
}
