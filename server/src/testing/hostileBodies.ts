/** Bodies that look like what a route asks for and are wrong in one place or two, or in none; from its own schema, seeded. */
import fc from 'fast-check';
import { z } from 'zod';

interface Shape {
  readonly type?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Shape[];
  readonly oneOf?: readonly Shape[];
  readonly properties?: Readonly<Record<string, Shape>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: Shape | boolean;
  readonly propertyNames?: Shape;
  readonly items?: Shape;
  readonly prefixItems?: readonly Shape[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly format?: string;
  readonly pattern?: string;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly exclusiveMaximum?: number;
}

/** Values that stand in the book, by the name of the field that holds such. */
export type Known = Readonly<Record<string, readonly unknown[]>>;

/** What no field of any body means. */
const HOSTILE: readonly unknown[] = [
  null,
  '',
  ' ',
  '\u0000',
  '\ud800',
  '\u200b\u3164',
  '=1+1',
  `'; DROP TABLE job; --`,
  '${7*7}{{7*7}}',
  '../../etc/passwd',
  'x'.repeat(70_000),
  '1e999',
  '2026-02-30',
  '0000-01-01',
  '9'.repeat(400),
  -1,
  0,
  -0.5,
  1e308,
  -1e308,
  5e-324,
  2 ** 53 + 2,
  2 ** 31,
  true,
  false,
  [],
  {},
  [[[[[[[[[[[[]]]]]]]]]]]],
  { toString: 1, constructor: { prototype: {} } },
  { length: 1e9 },
  Array.from({ length: 2_000 }, () => 0),
  { $ne: null },
  'Łódź Ωμέγα Привет 🛠 \u202e',
];

const numberOf = (shape: Shape): fc.Arbitrary<number> => {
  const minimum = shape.minimum ?? shape.exclusiveMinimum ?? (shape.type === 'integer' ? -5 : -1e3);
  const maximum = shape.maximum ?? shape.exclusiveMaximum ?? Math.max(1e3, minimum);
  if (shape.type === 'integer')
    return fc.integer({
      min: Math.ceil(Math.max(minimum, -(2 ** 31))),
      max: Math.floor(Math.min(maximum, 2 ** 31)),
    });
  // Most figures of a brake are small; the limits themselves are tried as well.
  return fc.oneof(
    fc.double({ min: minimum, max: Math.min(maximum, minimum + 1), noNaN: true }),
    fc.double({ min: minimum, max: maximum, noNaN: true }),
    fc.constantFrom(minimum, maximum),
  );
};

const TEXTS = [
  'Front hose',
  '928 mm',
  '36 5/8 in',
  'M10×1.0',
  '19.5 N·m',
  'as found',
  '18500 km',
  '1',
  'Łódź',
  'washer/M10',
];

function textOf({ format, pattern, minLength = 0, maxLength = 200 }: Shape): fc.Arbitrary<string> {
  if (format === 'uuid') return fc.uuid({ version: 4 });
  if (format === 'date')
    return fc.constantFrom(
      '2026-11-23',
      '2026-11-22',
      '2021-03-01',
      '2027-01-01',
      '1999-12-31',
      '9999-12-31',
    );
  if (pattern !== undefined) return fc.stringMatching(new RegExp(pattern));
  return fc
    .oneof(
      fc.constantFrom(...TEXTS),
      fc.string({ minLength, maxLength: Math.max(minLength, Math.min(maxLength, 40)) }),
    )
    .map((text) => text.slice(0, maxLength).padEnd(minLength, 'a'));
}

function arrayOf(shape: Shape, known: Known, name: string): fc.Arbitrary<unknown> {
  if (shape.prefixItems) return fc.tuple(...shape.prefixItems.map((item) => valueOf(item, known, name)));
  const minLength = shape.minItems ?? 0;
  return fc.array(valueOf(shape.items ?? {}, known, name), {
    minLength,
    maxLength: Math.max(minLength, Math.min(shape.maxItems ?? 3, 3)),
  });
}

function objectOf(shape: Shape, known: Known): fc.Arbitrary<unknown> {
  const properties = Object.entries(shape.properties ?? {});
  if (properties.length === 0 && typeof shape.additionalProperties === 'object')
    return fc.dictionary(
      valueOf(shape.propertyNames ?? { type: 'string' }, known, '') as fc.Arbitrary<string>,
      valueOf(shape.additionalProperties, known, ''),
      { maxKeys: 3 },
    );
  return fc.record(Object.fromEntries(properties.map(([key, value]) => [key, valueOf(value, known, key)])), {
    requiredKeys: [...(shape.required ?? [])],
  });
}

/** A value of this shape, most often one that stands in the book under the field's name. */
function valueOf(shape: Shape, known: Known, name: string): fc.Arbitrary<unknown> {
  const made = madeOf(shape, known, name);
  const there = known[name];
  return there && there.length > 0
    ? fc.oneof({ weight: 4, arbitrary: fc.constantFrom(...there) }, { weight: 1, arbitrary: made })
    : made;
}

function madeOf(shape: Shape, known: Known, name: string): fc.Arbitrary<unknown> {
  if ('const' in shape) return fc.constant(shape.const);
  if (shape.enum) return fc.constantFrom(...shape.enum);
  const choices = shape.anyOf ?? shape.oneOf;
  if (choices) return fc.oneof(...choices.map((choice) => madeOf(choice, known, name)));
  switch (shape.type) {
    case 'object':
      return objectOf(shape, known);
    case 'array':
      return arrayOf(shape, known, name);
    case 'string':
      return textOf(shape);
    case 'number':
    case 'integer':
      return numberOf(shape);
    case 'boolean':
      return fc.boolean();
    case 'null':
      return fc.constant(null);
    default:
      return fc.jsonValue({ maxDepth: 2 });
  }
}

/** Another value in one place of a body: which, is counted over all of them. */
function spoil(value: unknown, place: number, with_: unknown): unknown {
  let left = place;
  const walk = (node: unknown): unknown => {
    if (left === 0) {
      left -= 1;
      return with_;
    }
    left -= 1;
    if (Array.isArray(node)) return node.map(walk);
    if (typeof node === 'object' && node !== null)
      return Object.fromEntries(Object.entries(node).map(([key, inner]) => [key, walk(inner)]));
    return node;
  };
  return walk(value);
}

const placesIn = (value: unknown): number =>
  1 +
  (typeof value === 'object' && value !== null
    ? Object.values(value).reduce((sum: number, inner) => sum + placesIn(inner), 0)
    : 0);

/**
 * Bodies for a schema of the contract: a third as asked for, the rest wrong in one place or two, a few with a field too many.
 * `whole` is the name under which whole bodies are known. Not all that a schema refines is met: such bodies are refused, as they should be.
 */
export function bodiesFor(schema: z.ZodType, known: Known, whole: string): fc.Arbitrary<unknown> {
  const shape = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape;
  const wound = fc.tuple(fc.nat(), fc.constantFrom(...HOSTILE));
  return fc
    .tuple(
      valueOf(shape, known, whole),
      fc.integer({ min: 0, max: 2 }),
      wound,
      wound,
      fc.integer({ min: 0, max: 30 }),
    )
    .map(([body, wounds, ...rest]) => {
      const [first, second, extra] = rest;
      let spoilt = body;
      for (const [place, value] of [first, second].slice(0, wounds))
        spoilt = spoil(spoilt, place % placesIn(spoilt), value);
      return extra === 0 && typeof spoilt === 'object' && spoilt !== null && !Array.isArray(spoilt)
        ? { ...spoilt, isAdmin: true, __proto__: { role: 'lead' } }
        : spoilt;
    });
}
