/**
 * Hostile figures through every public function: NaN, both infinities, below nothing, nothing and 1e308 in the place of each figure
 * of a sound input, one after the other and two at a time. What comes back is a problem that names a field, or a finite answer.
 */
import fc from 'fast-check';
import * as core from './index.ts';
import { NotPhysical } from './calculation/physical.ts';
import { samples, SOLVED } from './hostileSamples.ts';

const HOSTILE = [NaN, Infinity, -Infinity, -1, -0.001, 0, 5e-324, 1e308, -1e308] as const;
/** More figures than this are sampled: the problem of a scene is asked for all of its own. */
const MOST_PLACES = 60;
/** Longer than this is a hang: the slowest sound sample takes a tenth. */
const MOST_ms = 4000;

/** Places of all figures in an input, as paths. */
function figures(value: unknown, path: readonly (string | number)[] = []): (string | number)[][] {
  if (typeof value === 'number') return [[...path]];
  if (
    typeof value !== 'object' ||
    value === null ||
    ArrayBuffer.isView(value) ||
    value instanceof Map ||
    SOLVED.has(value)
  )
    return [];
  return Object.entries(value).flatMap(([key, inner]) =>
    figures(inner, [...path, Array.isArray(value) ? Number(key) : key]),
  );
}

function replaced(value: unknown, [key, ...rest]: readonly (string | number)[], by: number): unknown {
  if (key === undefined) return by;
  if (Array.isArray(value))
    return (value as readonly unknown[]).map((item, index) =>
      index === key ? replaced(item, rest, by) : item,
    );
  const record = value as Readonly<Record<string, unknown>>;
  return { ...record, [key]: replaced(record[key], rest, by) };
}

/** The path of a figure in an answer that is none, or infinite where that is no documented answer. */
function unsound(value: unknown, may: ReadonlySet<string>, path = ''): string | null {
  if (typeof value === 'number')
    return Number.isNaN(value) || (!Number.isFinite(value) && !may.has(path.split('.').at(-1) ?? ''))
      ? `${path} ${value}`
      : null;
  if (typeof value === 'string') return /NaN|Infinity/.test(value) ? `${path} "${value}"` : null;
  if (typeof value !== 'object' || value === null) return null;
  if (ArrayBuffer.isView(value))
    return Array.from(value as Float64Array).every((x) => Number.isFinite(x)) ? null : `${path} array`;
  const entries = value instanceof Map ? [...value.entries()] : Object.entries(value);
  for (const [key, inner] of entries) {
    const found = unsound(inner, may, path === '' ? String(key) : `${path}.${String(key)}`);
    if (found) return found;
  }
  return null;
}

/** Documented answers: a straight hose has no radius, threads of one pitch turn for ever, nothing is nearest to nothing. */
const MAY_BE_INFINITE = new Set(['radius_m', 'turns', 'boreTo_mm']);

/** What a call says that it should not; null when all is well. */
function complaint(name: string, args: readonly unknown[]): string | null {
  const call = (core as unknown as Readonly<Record<string, (...all: readonly unknown[]) => unknown>>)[name];
  const began = performance.now();
  let answer: unknown;
  try {
    answer = call?.(...args);
    // A search yields as it goes: its first steps are asked for.
    if (typeof answer === 'object' && answer !== null && Symbol.iterator in answer && 'next' in answer)
      answer = (answer as Generator).next().value;
  } catch (error) {
    if (error instanceof NotPhysical) return error.problem.field === '' ? 'refuses without a field' : null;
    return `throws ${String(error)}`;
  }
  const took_ms = performance.now() - began;
  if (took_ms > MOST_ms) return `takes ${took_ms.toFixed(0)} ms`;
  if (typeof answer === 'object' && answer !== null && 'ok' in answer && answer.ok === false) {
    const { problem, reason } = answer as { problem?: { field?: unknown }; reason?: unknown };
    if (typeof reason === 'string') return null;
    return typeof problem?.field === 'string' && problem.field !== '' ? null : 'refuses without a field';
  }
  const found = unsound(answer, MAY_BE_INFINITE);
  return found ? `answers ${found}` : null;
}

/** Exported functions that take no figure, only names and truths. */
const NO_FIGURES = new Set(Object.keys(core).filter((name) => samples[name]?.length === 0));
/** Vector arithmetic, unit factors and marks of a drawing carry what they are given; whatever judges by them is asked here. */
const ARITHMETIC = new Set(
  (
    'add anyAcross cross distanceBetween dot norm scaled subtract unit fromSI toSI ' +
    'arc circle dimension extentOf loop moved path words'
  ).split(' '),
);

const functions = Object.entries(core)
  .filter(([name, value]) => typeof value === 'function' && /^[a-z]/.test(name))
  .map(([name]) => name);

test('every public function has a sound sample', () => {
  expect(functions.filter((name) => !(name in samples) && !ARITHMETIC.has(name))).toEqual([]);
});

let ran = 0;
afterAll(() => {
  process.stdout.write(
    `hostile figures: ${ran} calls of ${functions.length - ARITHMETIC.size - NO_FIGURES.size} public functions\n`,
  );
});

const withFigures = functions.filter((name) => !ARITHMETIC.has(name) && (samples[name] ?? []).length > 0);

test.each(withFigures)('%s answers a sound input, and refuses or answers a hostile one', (name) => {
  const complaints = new Set<string>();
  for (const make of samples[name] ?? []) {
    const args = make();
    const plain = complaint(name, args);
    if (plain) complaints.add(`sound: ${plain}`);
    const all = figures(args);
    // Of a whole scene with its poses every n-th figure, another start for each function.
    const every = Math.ceil(all.length / MOST_PLACES);
    const places = all.filter((_place, index) => (index + name.length) % every === 0);
    for (const place of places)
      for (const by of HOSTILE) {
        const said = complaint(name, replaced(args, place, by) as readonly unknown[]);
        ran += 1;
        if (said) complaints.add(`${place.join('.')} = ${by}: ${said}`);
      }
    if (places.length < 2) continue;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(places.length - 1), fc.constantFrom(...HOSTILE)), {
          minLength: 2,
          maxLength: 3,
        }),
        (changes) => {
          let hostile: unknown = args;
          for (const [at, by] of changes) hostile = replaced(hostile, places[at] ?? [], by);
          const said = complaint(name, hostile as readonly unknown[]);
          ran += 1;
          if (said) complaints.add(`several: ${said}`);
        },
      ),
      { numRuns: 20, seed: 5 },
    );
  }
  expect([...complaints].slice(0, 12)).toEqual([]);
});
