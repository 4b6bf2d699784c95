import fc from 'fast-check';
import type { Hydraulics } from './hydraulics.ts';
import { joinedCircuits } from './joined.ts';
import { PATTERNS, startPattern } from './patterns.ts';
import { countingIds } from './testCircuits.ts';

const started = (pattern: (typeof PATTERNS)[number], newId = countingIds()) =>
  startPattern(pattern, { newId, drive: 'left', abs: true, rearEnd: 'banjo' });
const kindsIn = ({ components }: Hydraulics, kind: string) =>
  components.filter((part) => part.kind === kind).length;

test('a tandem master, its reservoir and an ABS unit are one part each, with the lines of both circuits', () => {
  const [only, ...others] = joinedCircuits(started('carDiagonal'));
  expect(others).toEqual([]);
  expect(only?.circuits.map(({ name }) => name)).toEqual(['Diagonal 1', 'Diagonal 2']);
  const whole = only?.whole as Hydraulics;
  expect(['master', 'reservoir', 'absUnit', 'caliper'].map((kind) => kindsIn(whole, kind))).toEqual([
    1, 1, 1, 4,
  ]);
  expect(whole.hoses).toHaveLength(10);
});

test('an ABS unit of a motorcycle joins two masters that are not one', () => {
  const [only] = joinedCircuits(started('motorcycleAbs'));
  expect([
    kindsIn(only?.whole as Hydraulics, 'master'),
    kindsIn(only?.whole as Hydraulics, 'absUnit'),
  ]).toEqual([2, 1]);
});

test('circuits that share nothing stay apart, and one that shares with two brings them together', () => {
  expect(joinedCircuits(started('quad')).map(({ circuits }) => circuits.length)).toEqual([1, 1]);
  const newId = countingIds();
  const [front, rear, third] = [...started('quad', newId), ...started('singleRear', newId)];
  if (!front || !rear || !third) throw new Error('no pattern');
  const reservoirOf = ({ components }: Hydraulics) => components.find(({ kind }) => kind === 'reservoir');
  const sharing = {
    ...third,
    components: [
      ...third.components.map((part) =>
        part.kind === 'reservoir' ? { ...part, sameAs: reservoirOf(front)?.id } : part,
      ),
      { ...third.components[0], id: 'x', kind: 'reservoir', sameAs: reservoirOf(rear)?.id },
    ],
  } as Hydraulics;
  expect(joinedCircuits([front, rear, sharing]).map(({ circuits }) => circuits)).toEqual([
    [front, rear, sharing],
  ]);
  // Without the circuit that stands for it, a part stands for itself.
  expect(joinedCircuits([sharing])[0]?.whole.components).toHaveLength(sharing.components.length);
});

test('nothing is lost and nothing hangs in the air, whatever of a vehicle is joined', () => {
  fc.assert(
    fc.property(fc.constantFrom(...PATTERNS), fc.constantFrom(...PATTERNS), (one, other) => {
      const newId = countingIds();
      const circuits = [...started(one, newId), ...started(other, newId)];
      const groups = joinedCircuits(circuits);
      expect(groups.flatMap(({ circuits: own }) => own).sort(byName)).toEqual([...circuits].sort(byName));
      for (const { whole } of groups) {
        const ids = new Set(whole.components.map(({ id }) => id));
        expect(ids.size).toBe(whole.components.length);
        for (const { componentId } of [...whole.ports, ...whole.joints])
          expect(ids.has(componentId)).toBe(true);
        for (const { attachedTo } of whole.components)
          expect(attachedTo === null || ids.has(attachedTo)).toBe(true);
      }
      expect(groups.flatMap(({ whole }) => whole.hoses)).toHaveLength(
        circuits.flatMap(({ hoses }) => hoses).length,
      );
    }),
    { numRuns: 40 },
  );
});
const byName = (one: Hydraulics, other: Hydraulics) => (JSON.stringify(one) < JSON.stringify(other) ? -1 : 1);
