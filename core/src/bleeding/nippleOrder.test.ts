/** Order over several circuits. Farthest first, the maker's order over it: common practice, no published source. */
import type { Circuit } from '../layout/circuit.ts';
import type { OrderAsked } from './nippleOrder.ts';
import { nippleOrderOver, sharingParts } from './nippleOrder.ts';

/** A master, its reservoir, and a wheel at each length of line. */
function circuit(name: string, wheels: Readonly<Record<string, number>>, reservoir = `${name}-res`): Circuit {
  const master = `${name}-master`;
  const part = (
    id: string,
    kind: 'master' | 'reservoir' | 'caliper' | 'bleedNipple',
    attachedTo: string | null,
  ) => ({
    id,
    kind,
    name: id,
    attachedTo,
  });
  const names = Object.keys(wheels);
  return {
    components: [
      part(master, 'master', null),
      { ...part(`${name}-own-res`, 'reservoir', master), sameAs: reservoir },
      ...names.flatMap((wheel) => [
        part(`${wheel}-caliper`, 'caliper', null),
        part(wheel, 'bleedNipple', `${wheel}-caliper`),
      ]),
    ],
    joints: [
      { id: `${name}-out`, componentId: master },
      ...names.map((wheel) => ({ id: `${wheel}-in`, componentId: `${wheel}-caliper` })),
    ],
    hoses: names.map((wheel) => ({
      id: `${wheel}-hose`,
      name: wheel,
      fromJointId: `${name}-out`,
      toJointId: `${wheel}-in`,
      length_m: wheels[wheel] ?? 0,
    })),
  };
}

const orderOf = (circuits: readonly Circuit[], asked?: Partial<OrderAsked>): readonly string[] => {
  const order = nippleOrderOver(circuits, {
    maker: null,
    driveSide: null,
    sideOf: (id) => (id.endsWith('Left') ? 'left' : 'right'),
    ...asked,
  });
  if (!order.ok) throw new Error('no order');
  return order.value.map(({ nippleId }) => nippleId);
};

const DIAGONAL = [
  circuit('one', { frontLeft: 1, rearRight: 3.5 }, 'shared'),
  circuit('two', { frontRight: 1.2, rearLeft: 3.2 }, 'shared'),
];
const APART = [circuit('front', { frontLeft: 0.8 }), circuit('rear', { rearRight: 1.4 })];

test('two circuits of one reservoir are bled as one, the farthest first', () => {
  expect(sharingParts(DIAGONAL)).toHaveLength(1);
  expect(orderOf(DIAGONAL)).toEqual(['rearRight', 'rearLeft', 'frontRight', 'frontLeft']);
});

test('brakes that share nothing stay by themselves, in the order given', () => {
  expect(sharingParts(APART)).toHaveLength(2);
  expect(orderOf(APART)).toEqual(['frontLeft', 'rearRight']);
});

test('where two lines are as long, the one across from the driver goes first', () => {
  const even = [circuit('all', { rearLeft: 3, rearRight: 3, frontLeft: 1, frontRight: 1 })];
  expect(orderOf(even, { driveSide: 'left' })).toEqual(['rearRight', 'rearLeft', 'frontRight', 'frontLeft']);
  expect(orderOf(even, { driveSide: 'right' })).toEqual(['rearLeft', 'rearRight', 'frontLeft', 'frontRight']);
  // A longer line beats the side.
  const longer = [circuit('all', { rearLeft: 3.1, rearRight: 3 })];
  expect(orderOf(longer, { driveSide: 'left' })).toEqual(['rearLeft', 'rearRight']);
});

test('the maker’s order beats all, over every circuit; what it does not name comes after', () => {
  expect(orderOf(DIAGONAL, { maker: ['frontLeft', 'rearLeft', 'gone'] })).toEqual([
    'frontLeft',
    'rearLeft',
    'rearRight',
    'frontRight',
  ]);
});

test('three circuits in a chain of shared parts are one group', () => {
  const [one, two] = DIAGONAL;
  const both = {
    ...circuit('three', { side: 2 }),
    components: [
      ...circuit('three', { side: 2 }).components,
      { id: 'tandem', kind: 'master', name: 'tandem', attachedTo: null, sameAs: 'lever-master' },
    ],
  } as unknown as Circuit;
  const lever = circuit('lever', { lever: 0.8 });
  if (!one || !two) throw new Error('no circuit');
  expect(sharingParts([one, lever, both, two]).map((group) => group.length)).toEqual([2, 2]);
});
