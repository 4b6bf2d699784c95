import { parseQuantity } from './parse.ts';
import type { QuantityKind } from './unit.ts';

const read = (text: string, kind: QuantityKind = 'length') => parseQuantity(text, kind);

describe('parseQuantity', () => {
  test.each([
    ['8 1/2 in', 'length', 0.2159],
    ['8½"', 'length', 0.2159],
    ['8-1/2 inches', 'length', 0.2159],
    ['77cm', 'length', 0.77],
    ['1,5 mm', 'length', 0.0015],
    ['742 mm', 'length', 0.742],
    ['1 320 mm', 'length', 1.32],
    ['.742 m', 'length', 0.742],
    ['2 ft 5 1/4 in', 'length', 29.25 * 0.0254],
    [`2' 5"`, 'length', 29 * 0.0254],
    ['13 ft lb', 'torque', 13 * 1.35581794833],
    ['144 in-lb', 'torque', 12 * 1.35581794833],
    ['19.6 N·m', 'torque', 19.6],
    ['19,6 nm', 'torque', 19.6],
    ['15psi', 'pressure', 103421.359398],
    ['1 bar', 'pressure', 1e5],
    ['20 °C', 'temperature', 293.15],
    ['−40 °F', 'temperature', 233.15],
    ['25 cm3', 'volume', 25e-6],
    ['0,4 l', 'volume', 4e-4],
    ['12500 km', 'distance', 12_500_000],
    ['12.5 km', 'distance', 12_500],
    ['0.125 km', 'distance', 125],
    ["1'200 mm", 'length', 1.2],
    ['1’200.5 mm', 'length', 1.2005],
    [`5' 2"`, 'length', 62 * 0.0254],
    ['100 lb/in2', 'pressure', 689475.729317],
    ['25 cm^3', 'volume', 25e-6],
    ['25 cm³', 'volume', 25e-6],
    ['3 %', 'fraction', 0.03],
  ] as const)('reads %p as a %s', (text, kind, expected) => {
    const parsed = read(text, kind);
    expect(parsed.ok && parsed.value_SI).toBeCloseTo(expected, 6);
  });

  test('a length without a unit is not guessed', () => {
    expect(read('8.5')).toMatchObject({
      ok: false,
      reason: 'unitMissing',
      number: 8.5,
      couldBe: ['mm', 'cm', 'm', 'in', 'ft'],
    });
  });

  test('keeps a negative sign, so that the field can refuse it', () => {
    expect(read('-742 mm')).toMatchObject({ ok: true, value: -742 });
  });

  test('a comma before three digits could be either and is refused', () => {
    expect(read('1,234 mm')).toMatchObject({ ok: false, reason: 'ambiguousComma' });
    expect(read('0,125 in')).toMatchObject({ ok: true, value: 0.125 });
  });

  test('twelve thousand and a half, or twelve and a half: comma and point get the same question', () => {
    for (const text of ['12,500 km', '12.500 km', '12.500 miles', '12,500'])
      expect(read(text, 'distance')).toMatchObject({ ok: false, reason: 'ambiguousComma' });
  });

  test("1'200 is a figure without its unit, not a foot and two hundred inches", () => {
    expect(read("1'200")).toMatchObject({ ok: false, reason: 'unitMissing', number: 1200 });
  });

  test('nothing is colder than absolute zero', () => {
    expect(read('-300 °C', 'temperature')).toMatchObject({
      ok: false,
      reason: 'belowAbsoluteZero',
      unit: 'degC',
    });
    expect(read('−460 °F', 'temperature')).toMatchObject({ ok: false, reason: 'belowAbsoluteZero' });
    expect(read('-273.15 °C', 'temperature')).toMatchObject({ ok: true });
  });

  test('a unit of another kind is named, also one that is written with a digit', () => {
    expect(read('25 cm^3')).toMatchObject({ ok: false, reason: 'unknownUnit', typedUnit: 'cm^3' });
    expect(read('100 lb/in2', 'torque')).toMatchObject({
      ok: false,
      reason: 'unknownUnit',
      typedUnit: 'lb/in2',
    });
  });

  test.each([
    ['', 'empty'],
    ['mm', 'notANumber'],
    ['about 742 mm', 'notANumber'],
    ['7 4 2 mm', 'notANumber'],
    ['1/0 in', 'zeroDenominator'],
    ['742 furlongs', 'unknownUnit'],
    ['742 bar', 'unknownUnit'],
  ])('refuses %p: %s', (text, reason) => {
    expect(read(text)).toMatchObject({ ok: false, reason });
  });
});
