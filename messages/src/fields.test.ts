import type { z } from 'zod';
import { ROUTES } from '@zephyrcombe/contract';
import { fieldText } from './fields.ts';

interface Def {
  readonly shape?: Readonly<Record<string, z.ZodType>>;
  readonly innerType?: z.ZodType;
  readonly element?: z.ZodType;
  readonly valueType?: z.ZodType;
  readonly in?: z.ZodType;
  readonly out?: z.ZodType;
  readonly options?: readonly z.ZodType[];
  readonly getter?: () => z.ZodType;
}

/** The names of all fields that a body may carry, however deep. */
function keysOf(schema: z.ZodType | undefined, keys: Set<string>, depth = 0): Set<string> {
  if (!schema || depth > 14) return keys;
  const def = schema.def as unknown as Def;
  for (const [key, inner] of Object.entries(def.shape ?? {})) {
    keys.add(key);
    keysOf(inner, keys, depth + 1);
  }
  const inside = [def.innerType, def.element, def.valueType, def.in, def.out, def.getter?.()];
  for (const inner of [...inside, ...(def.options ?? [])]) keysOf(inner, keys, depth + 1);
  return keys;
}

describe('field names in words', () => {
  const keys = new Set<string>();
  for (const { body } of Object.values(ROUTES) as readonly { readonly body?: z.ZodType }[])
    keysOf(body, keys);

  test('the route table is walked to its bottom', () => {
    expect(keys.size).toBeGreaterThan(200);
    for (const deep of ['servicedOn', 'minimum_Nm', 'boreClear', 'eyeAxis', 'gap_m'])
      expect(keys).toContain(deep);
  });

  test.each([...keys].map((key) => [key]))('%s reads as words', (key) => {
    const text = fieldText(key);
    expect(text).not.toMatch(/_|[a-z][A-Z]|\bid\b|\bids\b/);
    expect(text.trim()).not.toBe('');
    // A date says that it is one, and a row is not called by its key.
    if (/On$/.test(key)) expect(text).toMatch(/day|date/);
    if (/Ids?$/.test(key)) expect(text).not.toMatch(/ id/);
  });

  test('a place in a list is counted as people count', () => {
    expect(fieldText('legs.1')).toBe('leg 2');
    expect(fieldText('hydraulics.joints.2.torque.minimum_Nm')).toBe('joint 3, least torque');
    expect(fieldText('given.behindNeck')).toBe('length behind the necks');
  });
});
