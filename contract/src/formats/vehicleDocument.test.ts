import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { startPattern } from '@zephyrcombe/core';
import { z } from 'zod';
import type { Mend } from './vehicleDocument.ts';
import { readVehicleDocument, VehicleDocumentSchema, writeVehicleDocument } from './vehicleDocument.ts';

const VEHICLE = {
  name: 'Test bike',
  kind: 'motorcycle',
  plate: null,
  use: 'road',
  abs: false,
  linkedBrakes: false,
  electricBooster: false,
  distance_m: null,
  makerIntervalMonths: null,
  makerIntervalDistance_m: null,
  note: '',
} as const;
let next = 0;
const newId = () => `p${(next += 1)}`;
const whole = writeVehicleDocument(
  VEHICLE,
  startPattern('singleFront', { newId, drive: 'left', abs: false, rearEnd: 'banjo' }),
);
/** A copy that a test may spoil. */
const copy = () => JSON.parse(JSON.stringify(whole)) as { [key: string]: unknown } & typeof whole;
const mends = (document: unknown): readonly Mend[] => {
  const reading = readVehicleDocument(document);
  if (!reading.ok) throw new Error(JSON.stringify(reading.errors));
  return reading.mended;
};
const errors = (document: unknown) => {
  const reading = readVehicleDocument(document);
  return reading.ok ? [] : reading.errors.map((error) => error.field);
};

describe('a forgiving reader says what it mended', () => {
  test('a thread spelled another way', () => {
    const document = copy();
    const port = document.circuits[0]?.ports[0];
    if (port) port.thread = 'm10 x 1';
    expect(mends(document)).toEqual([
      { field: 'circuits.0.ports.0.thread', mend: 'respelled', now: 'M10×1.0' },
    ]);
  });
  test('fields that nobody needed to fill in', () => {
    const document = copy();
    const hose = document.circuits[0]?.hoses[0] as Record<string, unknown> | undefined;
    delete hose?.madeOn;
    delete hose?.kind;
    delete (document.vehicle as Record<string, unknown>).note;
    expect(mends(document)).toEqual([
      { field: 'vehicle.note', mend: 'filledIn', now: '' },
      { field: 'circuits.0.hoses.0.kind', mend: 'filledIn', now: 'hose' },
      { field: 'circuits.0.hoses.0.madeOn', mend: 'filledIn', now: 'nothing' },
    ]);
  });
  test('a torque figure that does not say for which bolt: nobody has said', () => {
    const document = copy();
    const joint = document.circuits[0]?.joints[0] as Record<string, unknown> | undefined;
    if (!joint) throw new Error('no joint');
    joint.torque = { minimum_Nm: 26, maximum_Nm: 32, source: 'vehicleMaker' };
    const kit = { part: 'kit', minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker', isFitted: true };
    joint.furtherTorques = [kit];
    const at = 'circuits.0.joints.0';
    expect(mends(document)).toEqual([
      { field: `${at}.torque.forBolt`, mend: 'filledIn', now: 'nothing' },
      { field: `${at}.furtherTorques.0.forBolt`, mend: 'filledIn', now: 'nothing' },
    ]);
  });
  test('a number written as text', () => {
    const document = copy();
    const hose = document.circuits[0]?.hoses[0] as Record<string, unknown> | undefined;
    if (hose) hose.length_m = '0.905';
    expect(mends(document)).toEqual([
      { field: 'circuits.0.hoses.0.length_m', mend: 'numberFromText', now: '0.905' },
    ]);
  });
  test('more parts than any vehicle has are refused, and many unknown fields are left out at once', () => {
    const document = copy();
    const [circuit] = document.circuits;
    const [component] = circuit?.components ?? [];
    if (!circuit || !component) throw new Error('no circuit');
    circuit.components = Array.from({ length: 401 }, (_, index) => ({ ...component, id: `c${index}` }));
    expect(readVehicleDocument(document)).toMatchObject({
      ok: false,
      errors: [{ field: 'circuits.0.components' }],
    });
    const odd = copy();
    for (let index = 0; index < 20_000; index += 1)
      Object.assign(odd.circuits[0]?.joints[0] ?? {}, { [`odd${index}`]: index });
    expect(mends(odd)).toHaveLength(20_000);
  });
  test('fields it does not know, at any depth', () => {
    const document = copy();
    document.colour = 'green';
    Object.assign(document.circuits[0]?.joints[0] ?? {}, { polish: true });
    expect(mends(document)).toEqual([
      { field: 'colour', mend: 'leftOut', now: 'colour' },
      { field: 'circuits.0.joints.0.polish', mend: 'leftOut', now: 'polish' },
    ]);
  });
});

describe('what has no single sense is refused, with its place', () => {
  test.each<[string, (document: ReturnType<typeof copy>) => unknown, string]>([
    ['another format', (document) => ({ ...document, format: 'somebody.else' }), 'format'],
    ['a newer version', (document) => ({ ...document, schemaVersion: 2 }), 'schemaVersion'],
    ['no vehicle', ({ vehicle: _vehicle, ...document }) => document, 'vehicle'],
    [
      'a length of nothing',
      (document) => (set(document, 'length_m', 0), document),
      'circuits.0.hoses.0.length_m',
    ],
    [
      'a length missing',
      (document) => (set(document, 'length_m', undefined), document),
      'circuits.0.hoses.0.length_m',
    ],
    [
      'a length in words',
      (document) => (set(document, 'length_m', 'long'), document),
      'circuits.0.hoses.0.length_m',
    ],
    ['a list', () => [], '(document)'],
    ['nothing', () => null, '(document)'],
  ])('%s', (_what, spoil, field) => {
    expect(errors(spoil(copy()))).toEqual([field]);
  });
});

function set(document: ReturnType<typeof copy>, key: string, value: unknown): void {
  const hose = document.circuits[0]?.hoses[0] as Record<string, unknown> | undefined;
  if (hose) hose[key] = value;
}

test('the schema in docs/formats is what the code reads (npm run formats writes it)', () => {
  const file = join(__dirname, '../../../docs/formats/vehicle-1.schema.json');
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(VehicleDocumentSchema))),
  );
});
