import fc from 'fast-check';
import { exampleBanjo } from '../fittings/exampleEnds.ts';
import type { TakeOffSource } from '../fittings/end.ts';
import { LENGTH_POINTS } from '../fittings/end.ts';
import type { AlongPart } from '../hoseBuild/build.ts';
import {
  assumedOfJoint,
  judgeAssumedJoint,
  judgeHoseFigures,
  judgeHoseOutside,
  judgeTakeOffs,
  unseenOfJoint,
} from './assumptions.ts';
import { newComponent, newJoint, newLine } from './build.ts';
import { changeJoint, changePort } from './edit.ts';
import type { Hydraulics } from './hydraulics.ts';
import type { Known } from './known.ts';
import { HOW_KNOWN, KNOWABLE, knowingOf, typedOver, withKnown } from './known.ts';
import { countingIds } from './testCircuits.ts';

const newId = countingIds();
const master = newComponent(newId(), 'master', 'Front master', 'handlebar');
const { port, joint } = newJoint(newId, master, 'banjo');
const circuit: Hydraulics = {
  name: 'Front',
  fluidGrade: 'DOT 4',
  components: [master],
  ports: [port],
  joints: [joint],
  hoses: [newLine(newId(), 'hose', 'Hose', joint, joint, 0.6)],
};
const measuredEye = withKnown(joint, ['eyeThickness_m'], { how: 'measured' });
const portOf = ({ ports }: Hydraulics) => ports[0] ?? port;

test('a part that is put down is assumed from the pattern; what it leaves blank is unknown, not assumed', () => {
  expect(knowingOf(port, 'thread')).toEqual({ how: 'assumed', origin: 'pattern' });
  expect(knowingOf(port, 'depth_m')).toEqual({ how: 'unknown' });
  expect(knowingOf(joint, 'eyeThickness_m')).toEqual({ how: 'assumed', origin: 'pattern' });
  expect(assumedOfJoint(joint, port)).toEqual(['thread', 'seat', 'eyeThickness_m']);
  expect(judgeAssumedJoint(joint, port)).toEqual([
    { id: 'M102', evidence: { facts: ['thread', 'seat', 'eyeThickness_m'], from: ['pattern'] } },
  ]);
});

test('a figure that nobody has spoken for is assumed, and says so', () => {
  const { known: _known, ...bare } = { ...port, depth_m: 0.014 };
  expect(assumedOfJoint(measuredEye, bare)).toEqual(['thread', 'seat', 'depth_m']);
  expect(judgeAssumedJoint(measuredEye, { ...bare, known: null })).toMatchObject([
    { evidence: { from: ['notSaid'] } },
  ]);
});

test('an eye that is assumed, or that nobody has entered, is to be measured; a joint without eyes has none', () => {
  const seen = withKnown({ ...port, depth_m: 0.014 }, ['thread', 'seat', 'depth_m'], { how: 'seen' });
  expect(judgeAssumedJoint(joint, seen)).toEqual([
    { id: 'M102', evidence: { facts: ['eyeThickness_m'], from: ['pattern'] } },
  ]);
  expect(judgeAssumedJoint(measuredEye, seen)).toEqual([]);
  expect(unseenOfJoint(measuredEye, seen)).toEqual([]);
  const blank = { ...joint, eyeThickness_m: null };
  expect([judgeAssumedJoint(blank, seen), unseenOfJoint(blank, seen)]).toEqual([[], ['eyeThickness_m']]);
  expect(unseenOfJoint({ ...blank, seal: 'flare' }, seen)).toEqual([]);
});

test('who types another figure has seen it; the same figure typed again says nothing', () => {
  const typed = portOf(changePort(circuit, port.id, { thread: 'M10×1.25' }));
  expect(knowingOf(typed, 'thread')).toEqual({ how: 'seen' });
  expect(knowingOf(typed, 'seat')).toEqual({ how: 'assumed', origin: 'pattern' });
  expect(portOf(changePort(circuit, port.id, { thread: port.thread }))).toEqual(port);
  // A figure that is rubbed out is not known any more, whatever was said of it.
  const deep = portOf(changePort(circuit, port.id, { depth_m: 0.014 }));
  const bare = changePort({ ...circuit, ports: [deep] }, port.id, { depth_m: null });
  expect(knowingOf(deep, 'depth_m')).toEqual({ how: 'seen' });
  expect(knowingOf(portOf(bare), 'depth_m')).toEqual({ how: 'unknown' });
});

test('another end on a joint brings its own eye, which nobody has seen', () => {
  const measured = changeJoint(circuit, joint.id, { eyeThickness_m: 0.0075 });
  expect(measured.joints[0]?.known?.eyeThickness_m).toEqual({ how: 'seen' });
  const other = changePort(measured, port.id, { gender: 'external', seat: 'taperSeat' });
  const back = changePort(other, port.id, { gender: 'internal', seat: 'flatWasherFace' });
  expect(back.joints[0]?.known?.eyeThickness_m).not.toEqual({ how: 'seen' });
});

const said: fc.Arbitrary<Known> = fc.record({ how: fc.constantFrom(...HOW_KNOWN) });

test('what is said of some figures leaves what is said of the others', () => {
  fc.assert(
    fc.property(
      fc.subarray([...KNOWABLE]),
      fc.subarray([...KNOWABLE]),
      said,
      said,
      (some, others, one, two) => {
        const part = withKnown(withKnown({ known: null }, some, one), others, two);
        for (const fact of KNOWABLE)
          expect(part.known?.[fact]).toEqual(
            others.includes(fact) ? two : some.includes(fact) ? one : undefined,
          );
      },
    ),
  );
});

test('a change that says how its figures are known is taken at its word', () => {
  fc.assert(
    fc.property(said, (known) => {
      const next = typedOver(port, { thread: 'M12×1.0', known: { thread: known } });
      expect(knowingOf(next, 'thread')).toEqual(known);
    }),
  );
});

// Common practice, no published source: between the sealing points nothing of an end is subtracted.
test.each(LENGTH_POINTS.filter((point) => point !== 'threadEnd'))(
  'a length counted from the %s rests on take-offs, unless it is counted from the seal',
  (point) => {
    const example = exampleBanjo(45);
    const { takeOffsFrom: _from, ...unsaid } = example;
    const isSeal = point === 'eyeCentre';
    const cautions = (from: object) =>
      judgeTakeOffs({ ...unsaid, ...from }, point).map(({ evidence }) => evidence);
    expect(cautions({ takeOffsFrom: 'example' })).toEqual(
      isSeal ? [] : [{ facts: ['takeOff'], from: ['example'] }],
    );
    expect(cautions({})).toEqual(isSeal ? [] : [{ facts: ['takeOff'], from: ['notSaid'] }]);
    for (const takeOffsFrom of ['makersData', 'measured']) expect(cautions({ takeOffsFrom })).toEqual([]);
  },
);

// Common practice, no published source: a clip one size wrong pinches or slips.
test('what clasps a hose rests on its outside, and a route on its least radius, until somebody has read or measured them', () => {
  const clip = { clip_m: 0.007, outside_m: null } as AlongPart;
  const grommet = { clip_m: 0.009, outside_m: 0.01 } as AlongPart;
  const held = (outsideFrom: TakeOffSource | undefined, along: readonly AlongPart[]) =>
    judgeHoseOutside({ outsideFrom, along }).map(({ evidence }) => evidence);
  expect(held('example', [clip])).toEqual([{ facts: ['outside'], from: ['example'] }]);
  expect(held(undefined, [grommet, clip])).toEqual([{ facts: ['outside'], from: ['notSaid'] }]);
  expect(held('example', [grommet])).toEqual([]);
  expect(held('example', [])).toEqual([]);
  const judged = (figuresFrom: TakeOffSource | undefined) =>
    judgeHoseFigures({ figuresFrom }).map(({ evidence }) => evidence);
  expect(judged(undefined)).toEqual([{ facts: ['outside', 'bendRadius'], from: ['notSaid'] }]);
  for (const from of ['makersData', 'measured'] as const) {
    expect(held(from, [clip])).toEqual([]);
    expect(judged(from)).toEqual([]);
  }
});
