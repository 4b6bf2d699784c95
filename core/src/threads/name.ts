/**
 * Names of threads as people write them: "M10x1,25", "M 10 x 1,0", "M10-1.0", "10×1.25", "3/8 UNF", '3/8"-24', "3/8-24 UNF-2A".
 * Metric names are those of ISO 965-1, Unified ones those of ASME B1.1 (both from memory); the spellings are common practice.
 */
export type ThreadName =
  | {
      readonly kind: 'metric';
      readonly major_mm: number;
      /** Null where only the size is written: then it is not known which thread is meant. */
      readonly pitch_mm: number | null;
    }
  | {
      readonly kind: 'unified';
      readonly size_in: number;
      readonly threadsPerInch: number | null;
      readonly series: 'UNC' | 'UNF' | 'UNS' | 'UNEF' | null;
    };

/** ISO: the size, a cross or a hyphen, the pitch; a class may follow. */
const METRIC = /^m?(\d+(?:\.\d+)?)(?:(?:x|-)(\d+(?:\.\d+)?))?(?:mm)?(?:-\d[a-h](?:\d[a-h])?)?$/;
/** The size as a fraction or a decimal of an inch, threads per inch, the series, a class. */
const UNIFIED =
  /^(?:(\d+)\/(\d+)|(0?\.\d+))(?:in|inch)?(?:(?:-|x)?(\d{1,2})(?:tpi)?)?(?:-?(unc|unf|uns|unef))?(?:-?[123][ab])?$/;

/** Null for what is no name of a metric or Unified thread. */
export function readThreadName(text: string): ThreadName | null {
  const plain = text
    .toLowerCase()
    .replace(/["″”“]|''/g, '-')
    .replace(/[×*·]/g, 'x')
    .replace(/[–−]/g, '-')
    .replace(/,/g, '.')
    // A space between size and threads per inch parts them as a hyphen does.
    .replace(/(\d)\s+(?=\d)/g, '$1-')
    .replace(/\s/g, '')
    .replace(/-+/g, '-')
    .replace(/x-|-x/g, 'x')
    .replace(/-$/, '');
  const metric = METRIC.exec(plain);
  if (metric && (plain.startsWith('m') || plain.includes('x'))) {
    const [, size = '', pitch] = metric;
    const [major_mm, pitch_mm] = [Number(size), pitch === undefined ? null : Number(pitch)];
    return major_mm > 0 && (pitch_mm === null || pitch_mm > 0)
      ? { kind: 'metric', major_mm, pitch_mm }
      : null;
  }
  const unified = UNIFIED.exec(plain);
  if (!unified) return null;
  const [, above, below, decimal, perInch, series] = unified;
  const size_in = decimal === undefined ? Number(above) / Number(below) : Number(decimal);
  const threadsPerInch = perInch === undefined ? null : Number(perInch);
  if (!(size_in > 0) || !Number.isFinite(size_in) || threadsPerInch === 0) return null;
  const known = (['UNC', 'UNF', 'UNS', 'UNEF'] as const).find((one) => one === series?.toUpperCase());
  return { kind: 'unified', size_in, threadsPerInch, series: known ?? null };
}
