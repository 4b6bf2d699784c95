import { nippleOrder } from '../bleeding/nippleOrder.ts';
import { circuitFaults } from './faults.ts';
import type { PatternOptions } from './patterns.ts';
import { PATTERNS, patternsExclude, startPattern } from './patterns.ts';
import { countingIds } from './testCircuits.ts';

const options = (change: Partial<PatternOptions> = {}): PatternOptions => ({
  newId: countingIds(),
  drive: 'left',
  abs: false,
  rearEnd: 'banjo',
  ...change,
});
const allOptions = (['left', 'right'] as const).flatMap((drive) =>
  [true, false].flatMap((abs) => (['banjo', 'screwed'] as const).map((rearEnd) => ({ drive, abs, rearEnd }))),
);

describe.each(PATTERNS)('starting pattern %s', (pattern) => {
  test.each(allOptions)(
    'can work, be bled and be fitted: $drive drive, ABS $abs, rear $rearEnd',
    (change) => {
      for (const circuit of startPattern(pattern, options(change))) {
        expect(circuitFaults(circuit).filter((fault) => fault.severity === 'stop')).toEqual([]);
        expect(nippleOrder(circuit).ok).toBe(true);
        const hoses = circuit.hoses.filter((line) => line.kind === 'hose');
        // A hose that has to be turned at both ends cannot be fitted.
        const isScrewed = (jointId: string) =>
          circuit.joints.find(({ id }) => id === jointId)?.seal === 'screwed';
        expect(hoses.filter((hose) => isScrewed(hose.fromJointId) && isScrewed(hose.toJointId))).toEqual([]);
        expect(circuit.hoses.every((line) => line.estimated)).toBe(true);
        expect(circuit.joints.every((joint) => joint.torque.source === null)).toBe(true);
      }
    },
  );
  test('has no id twice', () => {
    const ids = startPattern(pattern, options()).flatMap((circuit) =>
      [circuit.components, circuit.ports, circuit.joints, circuit.hoses].flatMap((parts) =>
        parts.map((part) => part.id),
      ),
    );
    expect(new Set(ids).size).toBe(ids.length);
  });
});

test('a car with the wheel on the right is the mirror of one with it on the left', () => {
  const lengths = (drive: 'left' | 'right', mirror: boolean) =>
    Object.fromEntries(
      startPattern('carFrontRear', options({ drive })).flatMap((circuit) =>
        circuit.hoses.map((line) => [
          mirror
            ? line.name.replace(/left|right/, (side) => (side === 'left' ? 'right' : 'left'))
            : line.name,
          line.length_m,
        ]),
      ),
    );
  expect(lengths('right', true)).toEqual(lengths('left', false));
  expect(lengths('right', false)).not.toEqual(lengths('left', false));
});

test('the farthest rear wheel of a car is bled first: common practice, no published source', () => {
  const rear = startPattern('carFrontRear', options({ drive: 'left' }))[1];
  const order = rear ? nippleOrder(rear) : null;
  const first = order?.ok ? order.value[0] : undefined;
  expect(rear?.components.find((component) => component.id === first?.hostId)?.name).toBe(
    'Caliper, rear right',
  );
});

test('the crossover is warned of as a high point that holds air, two long hoses are not', () => {
  const codes = (pattern: 'twinCrossover' | 'twinLongHoses') =>
    startPattern(pattern, options()).flatMap((circuit) => circuitFaults(circuit).map((fault) => fault.code));
  expect(codes('twinCrossover')).toEqual(['trappedHighPoint']);
  expect(codes('twinLongHoses')).toEqual([]);
});

test('every wheel hangs on a body that fits its suspension', () => {
  const bodies = (pattern: (typeof PATTERNS)[number], change: Partial<PatternOptions> = {}) =>
    startPattern(pattern, options(change)).flatMap(({ components }) =>
      components.flatMap(({ kind, name, body }) => (kind === 'caliper' ? [[name, body]] : [])),
    );
  for (const pattern of ['carFrontRear', 'carDiagonal'] as const)
    for (const [name, body] of bodies(pattern))
      expect([name, body]).toEqual([name, name?.includes('rear') ? 'hubCarrier' : 'knuckle']);
  const live = bodies('carFrontRear', { rearAxle: 'live' });
  expect(live.filter(([name]) => name?.includes('rear')).map(([, body]) => body)).toEqual(['axle', 'axle']);
  expect(new Set(bodies('quad').map(([, body]) => body))).toEqual(new Set(['knuckle', 'axle']));
  expect(bodies('singleRear')).toEqual([['Rear caliper', 'swingarm']]);
  expect(new Set(bodies('twinTee').map(([, body]) => body))).toEqual(new Set(['forkLower']));
});

test('a tee at the lower yoke turns with the steering', () => {
  const [circuit] = startPattern('twinTee', options());
  expect(circuit?.components.find(({ kind }) => kind === 'junction')?.body).toBe('lowerYoke');
});

test('patterns for the same brakes exclude each other, both ways; none excludes itself', () => {
  for (const one of PATTERNS) {
    expect(patternsExclude(one, one)).toBe(false);
    for (const other of PATTERNS) expect(patternsExclude(one, other)).toBe(patternsExclude(other, one));
  }
  expect(patternsExclude('twinTee', 'twinCrossover')).toBe(true);
  expect(patternsExclude('carDiagonal', 'carFrontRear')).toBe(true);
  expect(patternsExclude('motorcycleAbs', 'singleRear')).toBe(true);
  expect(patternsExclude('singleFront', 'singleRear')).toBe(false);
});
