/** A hose as it is to be built: what is put there to begin with, and what stands against it. */
import fc from 'fast-check';
import { exampleBanjo, EXAMPLE_BENDS_deg } from '../fittings/exampleEnds.ts';
import type { AlongPart } from './build.ts';
import { judgeBuild } from './judgeBuild.ts';
import { freeHose, placeFaults } from './places.ts';
import type { BuildFacts } from './suggest.ts';
import { suggestBuild } from './suggest.ts';

const FACTS: BuildFacts = {
  hoseName: 'Left hose',
  bore_m: 0.0032,
  length_m: 0.742,
  endA: exampleBanjo(20),
  endB: exampleBanjo(0),
  boltA_m: 0.01,
  boltB_m: 0.01,
  route: {
    outside_m: 0.0075,
    clips: [{ id: 'yoke', at_m: 0.31 }],
    stiffeners: [{ id: 's', from_m: 0.4, length_m: 0.12 }],
    sleeves: [],
    contacts: [{ part: 'Lamp guard', at_m: 0.6 }],
  },
};
const { build: BUILD, reasons: REASONS } = suggestBuild(FACTS);
const SETTING = { use: 'road', clocking_rad: null, boltA_m: 0.01, boltB_m: 0.01 } as const;
const ids = (build = BUILD, setting: Parameters<typeof judgeBuild>[1] = SETTING) =>
  judgeBuild(build, setting).map(({ id }) => id);

test('what is known fills the build, in order along the hose, and nothing stands against it', () => {
  expect(BUILD.along.map(({ id }) => id)).toEqual([
    'label A',
    'clip yoke',
    'stiffener s',
    'sheath Lamp guard',
    'label B',
  ]);
  expect(BUILD).toMatchObject({ bore_m: 0.0032, endA: { eyeBore_m: expect.closeTo(0.0102) as unknown } });
  expect(REASONS).toEqual({ bore: 'fitted', outside: 'route', eyes: 'bolt', rest: 'example' });
  // A clip of 7 mm pinches a hose of 7.5 mm.
  expect(BUILD.along.find(({ kind }) => kind === 'clip')?.clip_m).toBeCloseTo(0.007, 9);
  expect(ids()).toEqual([]);
});

test('what is put on a hose always lies between its ferrules', () => {
  const bend = fc.constantFrom(...EXAMPLE_BENDS_deg).map((bend_deg) => exampleBanjo(bend_deg));
  fc.assert(
    fc.property(
      fc.double({ min: 0.08, max: 4, noNaN: true }),
      bend,
      bend,
      fc.array(fc.double({ min: 0, max: 4, noNaN: true }), { maxLength: 4 }),
      (length_m, endA, endB, places) => {
        const free = freeHose(length_m, endA, endB);
        const { build } = suggestBuild({
          ...FACTS,
          length_m,
          endA,
          endB,
          route: {
            outside_m: 0.0075,
            clips: [],
            stiffeners: [],
            sleeves: [],
            contacts: places.map((at_m, index) => ({ part: String(index), at_m })),
          },
        });
        const beyond = placeFaults(build.along, free).filter(({ reason }) => reason === 'beyond');
        expect(beyond).toEqual([]);
      },
    ),
  );
});

test('a label goes where no stiffener is: the first place from its own end', () => {
  const { build } = suggestBuild({
    ...FACTS,
    length_m: 0.56,
    route: {
      outside_m: 0.0075,
      clips: [],
      stiffeners: [{ id: 's', from_m: 0.4, length_m: 0.1 }],
      sleeves: [],
      contacts: [],
    },
  });
  expect(placeFaults(build.along, freeHose(0.56, FACTS.endA, FACTS.endB))).toEqual([]);
  const label = build.along.find(({ id }) => id === 'label B');
  // Before the stiffener: behind it there are 28 mm left, and the label is 30 mm long.
  expect(label?.from_m).toBeLessThan(0.37 + 1e-9);
  expect(label?.from_m).toBeGreaterThan(0.36);
});

test('parts beyond the ferrules and parts on one another are told', () => {
  const part = (id: string, kind: AlongPart['kind'], from_m: number, length_m: number): AlongPart => ({
    id,
    kind,
    from_m,
    length_m,
    outside_m: null,
    clip_m: null,
    note: '',
    because: 'chosen',
  });
  const free = { from_m: 0.03, to_m: 0.5 };
  expect(placeFaults([part('a', 'label', 0.02, 0.03)], free)).toEqual([{ id: 'a', reason: 'beyond' }]);
  expect(placeFaults([part('a', 'sheath', 0.48, 0.03)], free)).toEqual([{ id: 'a', reason: 'beyond' }]);
  expect(placeFaults([part('a', 'stiffener', 0.1, 0.1), part('b', 'sheath', 0.15, 0.1)], free)).toEqual([
    { id: 'b', reason: 'meets', other: 'a' },
  ]);
  // A clip grips a stiffener; two that only touch are two.
  expect(
    placeFaults(
      [part('a', 'stiffener', 0.1, 0.1), part('b', 'clip', 0.15, 0), part('c', 'stiffener', 0.2, 0.1)],
      free,
    ),
  ).toEqual([]);
  expect(placeFaults([part('a', 'clip', 0.2, 0), part('b', 'clip', 0.2, 0)], free)).toHaveLength(1);
});

test.each([
  ['M25', { ...BUILD, endB: { ...BUILD.endB, eyeBore_m: 0.0122 } }],
  ['M27', { ...BUILD, endA: { ...BUILD.endA, tab: true } }],
  [
    'M28',
    { ...BUILD, split: { builtOn: '2019-04-11', from: '2019-03-01', to: '2019-06-30', looked: false } },
  ],
  ['M32', { ...BUILD, endA: { ...BUILD.endA, bracket: true } }],
  ['M36', { ...BUILD, fixing: 'screwed' as const }],
])('%s is raised by what gives it away, alone', (id, build) => {
  expect(ids(build)).toEqual([id]);
});

test('each is gone when its fact changes', () => {
  expect(ids({ ...BUILD, endA: { ...BUILD.endA, tab: true } }, { ...SETTING, clocking_rad: 0.3 })).toEqual(
    [],
  );
  expect(ids({ ...BUILD, endA: { ...BUILD.endA, bracket: true, supportWasher: true } })).toEqual([]);
  expect(ids({ ...BUILD, endA: { ...BUILD.endA, bracket: true, knurled: true } })).toEqual([]);
  expect(ids({ ...BUILD, fixing: 'screwed' }, { ...SETTING, use: 'competition' })).toEqual([]);
  const split = { builtOn: '2019-04-11', from: '2019-03-01', to: '2019-06-30', looked: true };
  expect(ids({ ...BUILD, split })).toEqual([]);
  expect(ids({ ...BUILD, split: { ...split, looked: false, builtOn: '2019-07-01' } })).toEqual([]);
});

test('a clip pinches by up to a millimetre, a grommet counts as what it holds: M33', () => {
  const clip = (clip_m: number | null, outside_m: number | null = null) =>
    ids({
      ...BUILD,
      along: [
        {
          id: 'c',
          kind: 'clip',
          from_m: 0.2,
          length_m: 0,
          outside_m,
          clip_m,
          note: '',
          because: 'chosen',
        },
      ],
    });
  expect(clip(null)).toEqual([]);
  expect([0.0065, 0.007, 0.0075].flatMap((clip_m) => clip(clip_m))).toEqual([]);
  expect([0.0064, 0.0076].map((clip_m) => clip(clip_m))).toEqual([['M33'], ['M33']]);
  expect(clip(0.012, 0.0125)).toEqual([]);
  expect(clip(0.013, 0.0125)).toEqual(['M33']);
});
