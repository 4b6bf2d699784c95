import { connect, removeComponent, removeLine } from './edit.ts';
import type { FaultCode } from './faults.ts';
import { circuitFaults } from './faults.ts';
import type { Hydraulics } from './hydraulics.ts';
import { startPattern } from './patterns.ts';
import { countingIds } from './testCircuits.ts';

function pattern(id: 'twinTee' | 'twinLongHoses' | 'singleFront'): Hydraulics {
  const circuit = startPattern(id, { newId: countingIds(), drive: 'left', abs: false, rearEnd: 'banjo' })[0];
  if (!circuit) throw new Error(id);
  return circuit;
}
const codes = (circuit: Hydraulics): readonly FaultCode[] =>
  circuitFaults(circuit).map((fault) => fault.code);
const named = (circuit: Hydraulics, name: string) => {
  const found = circuit.components.find((component) => component.name === name);
  if (!found) throw new Error(name);
  return found.id;
};
const without = (circuit: Hydraulics, kind: string): Hydraulics => ({
  ...circuit,
  components: circuit.components.filter((component) => component.kind !== kind),
});

/** A master with a chain of parts, each sitting on the one before, and as many junctions one behind another on lines. */
function longChain(length: number): Hydraulics {
  const circuit = pattern('singleFront');
  const [port] = circuit.ports;
  const [joint] = circuit.joints;
  const [hose] = circuit.hoses;
  const master = circuit.components.find((part) => part.kind === 'master');
  if (!port || !joint || !hose || !master) throw new Error('no pattern');
  const of = <Item>(make: (index: number) => Item) => Array.from({ length }, (_, index) => make(index));
  return {
    ...circuit,
    components: [
      { ...master, id: 'p0', attachedTo: `p${length}` },
      ...of((i) => ({ ...master, id: `p${i + 1}`, kind: 'bracket' as const, attachedTo: `p${i}` })),
      { ...master, id: 'j0', kind: 'junction' as const },
      ...of((i) => ({ ...master, id: `j${i + 1}`, kind: 'junction' as const })),
    ],
    ports: of((i) => ({ ...port, id: `o${i}`, componentId: `j${i}` })),
    joints: of((i) => ({ ...joint, id: `e${i}`, portId: `o${i}`, componentId: `j${i}` })),
    hoses: of((i) => ({ ...hose, id: `h${i}`, fromJointId: `e${i}`, toJointId: `e${Math.max(0, i - 1)}` })),
  };
}

describe('faults of a circuit', () => {
  test('ten thousand parts that sit on each other in a ring, and a line of as many junctions, are judged at once', () => {
    const ring = longChain(10_000);
    const from = performance.now();
    expect(circuitFaults(ring).filter((fault) => fault.code === 'unknownPart')).toHaveLength(10_001);
    const standing = {
      ...ring,
      components: ring.components.map((part) => ({ ...part, attachedTo: null })),
      hoses: ring.hoses.slice(1),
    };
    expect(circuitFaults(standing).map((fault) => fault.code)).not.toContain('unknownPart');
    expect(circuitFaults(standing).map((fault) => fault.code)).not.toContain('loopWithoutBleedPoint');
    // Cubic it took a minute for 3,000; the bound leaves a busy machine forty times what it takes.
    expect(performance.now() - from).toBeLessThan(4_000);
  });
  test('a sound circuit has none', () => {
    expect(codes(pattern('twinLongHoses'))).toEqual([]);
  });
  test('a caliper that no line reaches is fed by nothing', () => {
    const circuit = pattern('twinLongHoses');
    const left = circuit.hoses.find((hose) => hose.name === 'Left hose');
    const cut = removeLine(circuit, left?.id ?? '');
    expect(circuitFaults(cut)).toEqual([
      { code: 'fedByNothing', severity: 'stop', ids: [named(cut, 'Left caliper')], name: 'Left caliper' },
    ]);
  });
  test('a port with two joints on it is used twice', () => {
    const circuit = pattern('twinLongHoses');
    const [first, second] = circuit.joints;
    if (!first || !second) throw new Error('no joints');
    const twice = {
      ...circuit,
      joints: circuit.joints.map((joint) =>
        joint.id === second.id ? { ...joint, portId: first.portId, componentId: first.componentId } : joint,
      ),
    };
    expect(circuitFaults(twice)).toEqual([
      { code: 'portUsedTwice', severity: 'stop', ids: [first.id, second.id], name: second.name },
    ]);
  });
  test('a loop without a nipple in it lets fluid go round instead of out', () => {
    const start = pattern('twinTee');
    const newId = countingIds('more');
    const tee = named(start, 'Tee at the lower yoke');
    const second = connect(start, newId, tee, named(start, 'Front master')).circuit;
    expect(codes(second)).toContain('loopWithoutBleedPoint');
    // A loop through the calipers has their nipples.
    const through = connect(
      start,
      newId,
      named(start, 'Left caliper'),
      named(start, 'Right caliper'),
    ).circuit;
    expect(codes(through)).not.toContain('loopWithoutBleedPoint');
  });
  test('a caliper without a nipple cannot be bled', () => {
    expect(codes(without(pattern('singleFront'), 'bleedNipple'))).toEqual(['cannotBeBled']);
  });
  test('a circuit without a master, and a master without a reservoir', () => {
    const circuit = pattern('singleFront');
    expect(codes(removeComponent(circuit, named(circuit, 'Front master')))).toContain('noMaster');
    expect(codes(without(circuit, 'reservoir'))).toEqual(['noReservoir']);
  });
  test('a junction above everything around it traps air, with a nipple on it it does not', () => {
    const circuit = pattern('twinTee');
    const tee = named(circuit, 'Tee at the lower yoke');
    const raised = {
      ...circuit,
      components: circuit.components.map((part) => (part.id === tee ? { ...part, height_m: 1.2 } : part)),
    };
    expect(circuitFaults(raised)).toEqual([
      { code: 'trappedHighPoint', severity: 'warn', ids: [tee], name: 'Tee at the lower yoke' },
    ]);
    const nipple = raised.components.find((part) => part.kind === 'bleedNipple');
    if (!nipple) throw new Error('no nipple');
    const bled = { ...raised, components: [...raised.components, { ...nipple, id: 'n', attachedTo: tee }] };
    expect(codes(bled)).toEqual([]);
  });
  test('a flare seat under a banjo cannot seal', () => {
    const circuit = pattern('singleFront');
    const [port, ...others] = circuit.ports;
    if (!port) throw new Error('no port');
    expect(codes({ ...circuit, ports: [{ ...port, seat: 'invertedFlare' }, ...others] })).toEqual([
      'seatCannotSeal',
    ]);
  });
  test('a line that ends where it begins, and a joint that nothing is on', () => {
    const circuit = pattern('singleFront');
    const [hose] = circuit.hoses;
    if (!hose) throw new Error('no hose');
    expect(codes({ ...circuit, hoses: [{ ...hose, toJointId: hose.fromJointId }] })).toContain(
      'lineToItself',
    );
    expect(codes({ ...circuit, hoses: [] })).toEqual(['idleJoint', 'idleJoint', 'fedByNothing']);
  });
  test('a line to a joint that is not there is unknown, and nothing more is guessed', () => {
    const circuit = pattern('singleFront');
    expect(codes({ ...circuit, joints: circuit.joints.slice(1) })).toEqual(['unknownPart']);
  });
});
