/** Any vehicle that can be drawn goes out and comes back as it was. */
import {
  addComponent,
  BODIES,
  changePort,
  COMPONENT_KINDS,
  connect,
  insertJunction,
  PATTERNS,
  removeComponent,
  replaceLine,
  SEATS,
  startPattern,
  THREAD_GENDERS,
  THREADS,
} from '@zephyrcombe/core';
import type { Hydraulics } from '@zephyrcombe/core';
import fc from 'fast-check';
import {
  readVehicleDocument,
  renumberAll,
  VehicleDocumentSchema,
  writeVehicleDocument,
} from './vehicleDocument.ts';

const entry = fc.record({
  name: fc.string({ minLength: 1, maxLength: 40 }).map((name) => name.trim() || 'N'),
  kind: fc.constantFrom(
    'motorcycle' as const,
    'sidecar' as const,
    'car' as const,
    'van' as const,
    'trike' as const,
    'quad' as const,
  ),
  plate: fc.option(fc.string({ maxLength: 20 })),
  use: fc.constantFrom('road' as const, 'competition' as const),
  abs: fc.boolean(),
  linkedBrakes: fc.boolean(),
  electricBooster: fc.boolean(),
  distance_m: fc.option(fc.integer({ min: 0, max: 2_000_000_000 })),
  makerIntervalMonths: fc.option(fc.integer({ min: 1, max: 120 })),
  makerIntervalDistance_m: fc.option(fc.integer({ min: 0, max: 2_000_000_000 })),
  note: fc.string({ maxLength: 200 }).map((note) => note.trim()),
});

/** A graph as random clicking would leave it. */
const graph = fc
  .record({
    pattern: fc.constantFrom(...PATTERNS),
    steps: fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.nat(), fc.nat()), { maxLength: 20 }),
  })
  .map(({ pattern, steps }): readonly Hydraulics[] => {
    let next = 0;
    const newId = () => `id ${(next += 1)}`;
    return startPattern(pattern, { newId, drive: 'left', abs: false, rearEnd: 'banjo' }).map((started) =>
      steps.reduce((circuit, [what, a, b]): Hydraulics => {
        const part = (pick: number) =>
          circuit.components[pick % Math.max(1, circuit.components.length)]?.id ?? '';
        const line = (pick: number) => circuit.hoses[pick % Math.max(1, circuit.hoses.length)]?.id ?? '';
        switch (what) {
          case 0:
            return addComponent(
              circuit,
              newId,
              COMPONENT_KINDS[a % COMPONENT_KINDS.length] ?? 'caliper',
              `Part ${b}`,
              BODIES[b % BODIES.length] ?? 'frame',
            ).circuit;
          case 1:
            return connect(circuit, newId, part(a), part(b)).circuit;
          case 2:
            return insertJunction(circuit, newId, line(a)).circuit;
          case 3:
            return removeComponent(circuit, part(a));
          case 4:
            return replaceLine(circuit, line(a), b % 2 === 0 ? 'hose' : 'hardLine');
          default:
            return changePort(circuit, circuit.ports[a % Math.max(1, circuit.ports.length)]?.id ?? '', {
              thread: THREADS[b % THREADS.length]?.designation ?? 'M10×1.0',
              gender: THREAD_GENDERS[a % 2] ?? 'internal',
              seat: SEATS[b % SEATS.length] ?? 'flatWasherFace',
            });
        }
      }, started),
    );
  });

test('a document that was written is read without mending, and written again it is the same text', () => {
  fc.assert(
    fc.property(entry, graph, (vehicle, circuits) => {
      const written = writeVehicleDocument(vehicle, circuits);
      expect(VehicleDocumentSchema.safeParse(written).success).toBe(true);
      const reading = readVehicleDocument(JSON.parse(JSON.stringify(written)));
      if (!reading.ok) throw new Error(JSON.stringify(reading.errors));
      expect(reading.mended).toEqual([]);
      let next = 0;
      const shuffled = renumberAll(reading.document.circuits, () => `other ${(next += 1)}`);
      const again = writeVehicleDocument(reading.document.vehicle, shuffled);
      expect(JSON.stringify(again)).toBe(JSON.stringify(written));
    }),
    { numRuns: 120 },
  );
});

test('whatever is fed to it, the reader answers and never throws', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (vehicle, circuits) => {
      const input = { format: 'zephyrcombe.vehicle', schemaVersion: 1, vehicle, circuits };
      for (const document of [vehicle, input, { ...input, circuits: [circuits] }]) {
        const reading = readVehicleDocument(document);
        if (reading.ok) expect(reading.document.format).toBe('zephyrcombe.vehicle');
        else expect(reading.errors.length).toBeGreaterThan(0);
      }
    }),
    { numRuns: 300 },
  );
});
