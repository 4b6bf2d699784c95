import fc from 'fast-check';
import { END_FACTS, END_KINDS, endsFor } from '../fittings/seat.ts';
import { SEATS } from '../fittings/seatForm.ts';
import { THREAD_GENDERS } from '../threads/thread.ts';
import { BODIES } from './body.ts';
import {
  addComponent,
  attachPart,
  changeComponent,
  changeEnd,
  changePort,
  connect,
  insertJunction,
  removeComponent,
  removeLine,
  replaceLine,
} from './edit.ts';
import { BROKEN, circuitFaults } from './faults.ts';
import type { Hydraulics } from './hydraulics.ts';
import { PATTERNS, startPattern } from './patterns.ts';
import { countingIds } from './testCircuits.ts';

const ADDED = ['caliper', 'junction', 'absUnit', 'bracket', 'master', 'wheelCylinder'] as const;

/** One change by a person who clicks about: `pick` chooses among what is there. */
type Step = (circuit: Hydraulics, newId: () => string) => Hydraulics;
const at = <Item extends { readonly id: string }>(items: readonly Item[], pick: number): string =>
  items[Math.floor(pick * items.length)]?.id ?? 'nothing';
const pick = fc.double({ min: 0, max: 0.999, noNaN: true });

const step: fc.Arbitrary<Step> = fc.oneof(
  fc.record({ kind: fc.constantFrom(...ADDED), body: fc.constantFrom(...BODIES) }).map(
    ({ kind, body }): Step =>
      (circuit, newId) =>
        addComponent(circuit, newId, kind, `New ${kind}`, body).circuit,
  ),
  fc.tuple(pick, pick).map(
    ([from, to]): Step =>
      (circuit, newId) =>
        connect(circuit, newId, at(circuit.components, from), at(circuit.components, to)).circuit,
  ),
  pick.map(
    (one): Step =>
      (circuit, newId) =>
        insertJunction(circuit, newId, at(circuit.hoses, one)).circuit,
  ),
  pick.map(
    (one): Step =>
      (circuit) =>
        removeLine(circuit, at(circuit.hoses, one)),
  ),
  pick.map(
    (one): Step =>
      (circuit) =>
        removeComponent(circuit, at(circuit.components, one)),
  ),
  pick.map(
    (one): Step =>
      (circuit, newId) =>
        attachPart(circuit, newId, at(circuit.components, one), 'bleedNipple'),
  ),
  fc.tuple(pick, fc.constantFrom('hose' as const, 'hardLine' as const)).map(
    ([one, kind]): Step =>
      (circuit) =>
        replaceLine(circuit, at(circuit.hoses, one), kind),
  ),
  fc.tuple(pick, fc.constantFrom(...END_KINDS)).map(
    ([one, end]): Step =>
      (circuit) =>
        changeEnd(circuit, at(circuit.joints, one), end),
  ),
  fc.tuple(pick, fc.constantFrom(...THREAD_GENDERS), fc.constantFrom(...SEATS)).map(
    ([one, gender, seat]): Step =>
      (circuit) =>
        changePort(circuit, at(circuit.ports, one), { thread: 'M10×1.25', gender, seat }),
  ),
  pick.map(
    (one): Step =>
      (circuit) =>
        changeComponent(circuit, at(circuit.components, one), { name: 'Renamed' }),
  ),
);

function start(pattern: (typeof PATTERNS)[number], newId: () => string): Hydraulics {
  const circuit = startPattern(pattern, { newId, drive: 'left', abs: true, rearEnd: 'screwed' })[0];
  if (!circuit) throw new Error(pattern);
  return circuit;
}

test('whatever is clicked, the circuit hangs together: every reference has its part, no port is used twice', () => {
  fc.assert(
    fc.property(fc.constantFrom(...PATTERNS), fc.array(step, { maxLength: 25 }), (pattern, steps) => {
      const newId = countingIds();
      let circuit = start(pattern, newId);
      for (const change of steps) {
        const before = JSON.stringify(circuit);
        const next = change(circuit, newId);
        // Undo is the circuit before: nothing may have been written into it.
        expect(JSON.stringify(circuit)).toBe(before);
        circuit = next;
        expect(circuitFaults(circuit).filter((fault) => BROKEN.has(fault.code))).toEqual([]);
        const portIds = new Set(circuit.joints.map((joint) => joint.portId));
        expect(circuit.ports.every((port) => portIds.has(port.id))).toBe(true);
      }
    }),
    { numRuns: 150 },
  );
});

test('a bolt is as long as the eyes on it ask for', () => {
  const newId = countingIds();
  const circuit = start('twinLongHoses', newId);
  const boltLength = (name: string, of: Hydraulics) =>
    of.joints.find((joint) => joint.name === name)?.bolt?.length_m;
  expect(boltLength('Front master', circuit)).toBeCloseTo(0.029, 9);
  const fewer = removeLine(circuit, circuit.hoses[0]?.id ?? '');
  expect(boltLength('Front master', fewer)).toBeCloseTo(0.02, 9);
});

test('a junction in a line leaves the way from end to end as long as it was', () => {
  const newId = countingIds();
  const circuit = start('singleFront', newId);
  const { circuit: cut } = insertJunction(circuit, newId, circuit.hoses[0]?.id ?? '');
  const total = (of: Hydraulics) => of.hoses.reduce((sum, hose) => sum + hose.length_m, 0);
  expect(total(cut)).toBeCloseTo(total(circuit), 12);
  expect(circuitFaults(cut).filter((fault) => fault.severity === 'stop')).toEqual([]);
});

test('a hard line that becomes a hose has fittings to measure from, and the other way round none', () => {
  const newId = countingIds();
  const circuit = start('carFrontRear', newId);
  const pipe = circuit.hoses.find((line) => line.kind === 'hardLine');
  const asHose = replaceLine(circuit, pipe?.id ?? '', 'hose').hoses.find((line) => line.id === pipe?.id);
  expect(asHose?.kind).toBe('hose');
  expect(asHose?.endA.ferruleToApex_m).toBeGreaterThan(0);
  expect(pipe?.endA.ferruleToApex_m).toBe(0);
});

test('what is at the port decides: an end that cannot go there gives way to one that can', () => {
  fc.assert(
    fc.property(fc.constantFrom(...THREAD_GENDERS), fc.constantFrom(...SEATS), (gender, seat) => {
      const circuit = start('singleFront', countingIds());
      const port = circuit.ports[0];
      const changed = changePort(circuit, port?.id ?? '', { gender, seat });
      const joint = changed.joints.find((candidate) => candidate.portId === port?.id);
      const seals = endsFor({ gender, seat }).map((end) => END_FACTS[end].seal);
      if (seals.length > 0) expect(seals).toContain(joint?.seal);
      else expect(circuitFaults(changed).map((fault) => fault.code)).toContain('seatCannotSeal');
      expect(joint?.bolt !== null).toBe(joint?.seal === 'banjo');
    }),
  );
});

test('an end that the port does not take is refused and nothing changes', () => {
  const circuit = start('singleFront', countingIds());
  const joint = circuit.joints[0]?.id ?? '';
  expect(changeEnd(circuit, joint, 'femaleSwivel')).toBe(circuit);
  expect(changeEnd(circuit, joint, 'maleScrewed').joints[0]).toMatchObject({ seal: 'screwed', bolt: null });
});

test('a change to one of sixty parts leaves the other fifty-nine the same objects, so that only it is drawn again', () => {
  const newId = countingIds();
  let circuit = start('carFrontRear', newId);
  while (circuit.components.length < 60) {
    circuit = insertJunction(circuit, newId, circuit.hoses[circuit.hoses.length - 1]?.id ?? '').circuit;
  }
  const changed = changeComponent(circuit, circuit.components[30]?.id ?? '', { height_m: 0.7 });
  const fresh = changed.components.filter((part, index) => part !== circuit.components[index]);
  expect(fresh).toHaveLength(1);
  expect(changed.hoses).toBe(circuit.hoses);
});
