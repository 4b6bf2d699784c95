import { BANJO_THREADS, figuresOf, LENGTH_FIELDS, readStack, stackAddress, usualOf } from './stackState.ts';

const from = (query: Readonly<Record<string, string>>) => readStack((name) => query[name] ?? '');

test('an empty address is the usual joint, of our own examples', () => {
  const typed = from({});
  expect(typed).toMatchObject({ eyes: 1, bolt: 'steel', washers: 'copper', state: 'new', crossHoles: 1 });
  expect(typed.thread).toBe(BANJO_THREADS[0]);
  const read = figuresOf(typed);
  for (const field of LENGTH_FIELDS) expect(read?.lengths_m[field]).toBe(usualOf(field));
  expect(read).toMatchObject({ torque_Nm: 20, pressure_Pa: 10e6 });
});

test('what is on the thread and the share of the bolt are in the address; unsaid is the worst', () => {
  expect(from({})).toMatchObject({ threads: 'unsaid' });
  expect(figuresOf(from({}))?.loadFactor).toBe(0);
  expect(from({ on: 'greased' }).threads).toBe('greased');
  expect(from({ on: 'spit' }).threads).toBe('unsaid');
  expect(figuresOf(from({ share: '30 %' }))?.loadFactor).toBeCloseTo(0.3, 12);
  expect(figuresOf(from({ share: '0 %' }))?.loadFactor).toBe(0);
  expect(figuresOf(from({ share: 'most' }))).toBeNull();
});

test('what is typed takes the place of the example, in any unit', () => {
  const read = figuresOf(from({ long: '3/4 in', torque: '15 lbf·ft', at: '1450 psi' }));
  expect(read?.lengths_m.long).toBeCloseTo(0.01905, 9);
  expect(read?.torque_Nm).toBeCloseTo(20.337, 3);
  expect(read?.pressure_Pa).toBeCloseTo(9.997e6, -4);
});

test.each([
  ['a length without a unit', { eye: '7.5' }],
  ['a torque that is a length', { torque: '20 mm' }],
  ['a pressure of nothing', { at: '0 bar' }],
])('%s draws nothing', (_name, query) => {
  expect(figuresOf(from(query))).toBeNull();
});

test('counts and choices beyond what there is are brought back', () => {
  expect(from({ eyes: '9', holes: '5', bolt: 'copper', thread: 'M99' })).toMatchObject({
    eyes: 4,
    crossHoles: 2,
    bolt: 'steel',
    thread: BANJO_THREADS[0],
  });
  expect(from({ eyes: '-1' }).eyes).toBe(1);
});

test('a joint that is known travels in the address', () => {
  const address = stackAddress(
    {
      eyes: 2,
      thread: 'M10×1.25',
      bolt: 'aluminium',
      washers: 'aluminium',
      lengths_m: { long: 0.028, deep: 0.016 },
    },
    'mm',
  );
  const query = new URL(address, 'http://shop').searchParams;
  const typed = readStack((name) => query.get(name) ?? '');
  expect(typed).toMatchObject({ eyes: 2, bolt: 'aluminium', washers: 'aluminium' });
  expect(typed.thread.designation).toBe('M10×1.25');
  expect(figuresOf(typed)?.lengths_m).toMatchObject({ long: 0.028, deep: 0.016, eye: usualOf('eye') });
});
