/**
 * The threads that the finder tells apart: the metric selection of ISO 262 from 6 to 14 mm, the fine pitches that tube
 * nuts add to it, and the Unified fine and special threads of the same sizes. Extra-fine pitches that no brake part
 * carries are left out on purpose: a candidate that is never met would only blur the answer.
 */
import { isoMetric } from './isoMetric.ts';
import type { ThreadName } from './name.ts';
import { readThreadName } from './name.ts';
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

export const sameThread = (left: string, right: string): boolean => threadKey(left) === threadKey(right);

/** The catalogue's own spelling of a thread where it holds it, otherwise what was written. */
export const threadKey = (text: string): string => threadNamed(text)?.designation ?? plainName(text);

/** Major diameter and pitch where the name says both; what is written where it does not. */
function plainName(text: string): string {
  const name = readThreadName(text);
  if (name?.kind === 'metric' && name.pitch_mm !== null) return `M${name.major_mm}×${name.pitch_mm}`;
  if (name?.kind === 'unified' && name.threadsPerInch !== null)
    return `${name.size_in}-${name.threadsPerInch}`;
  return text.trim().toLowerCase().replace(/\s+/g, ' ');
}

/** The thread of that designation, however it is spelled; null when the catalogue does not hold it, or the name leaves it open. */
export function threadNamed(designation: string): Thread | null {
  const exact = THREADS.find((thread) => thread.designation === designation);
  if (exact) return exact;
  const name = readThreadName(designation);
  if (!name) return null;
  const found = THREADS.filter((thread) => isNamed(thread, name));
  return found.length === 1 ? (found[0] ?? null) : null;
}

const isMetric = ({ designation }: Thread) => designation.startsWith('M');

function isNamed(thread: Thread, name: ThreadName): boolean {
  const isNear = (value_m: number, wanted_m: number) => Math.abs(value_m - wanted_m) < NAME_m;
  if (name.kind === 'metric')
    return (
      isMetric(thread) &&
      name.pitch_mm !== null &&
      isNear(thread.major_m, name.major_mm / 1000) &&
      isNear(thread.pitch_m, name.pitch_mm / 1000)
    );
  return (
    !isMetric(thread) &&
    isNear(thread.major_m, name.size_in * INCH_m) &&
    (name.threadsPerInch !== null || name.series !== null) &&
    (name.threadsPerInch === null || isNear(thread.pitch_m, INCH_m / name.threadsPerInch)) &&
    (name.series === null || thread.designation.endsWith(name.series))
  );
}

const INCH_m = 0.0254;
/** Names are exact; this is room for the arithmetic only. */
const NAME_m = 1e-6;
