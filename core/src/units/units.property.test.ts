import fc from 'fast-check';
import { fromSI, toSI } from './convert.ts';
import { formatNumber, formatQuantity, formatRange, inchFraction } from './format.ts';
import { parseQuantity } from './parse.ts';
import { UNITS } from './unit.ts';
import { UNIT_IDS } from './unitId.ts';

const anyUnit = fc.constantFrom(...UNIT_IDS);

describe('units', () => {
  test('round-trip through SI', () => {
    fc.assert(
      fc.property(anyUnit, fc.double({ min: -1e6, max: 1e6, noNaN: true }), (unit, value) => {
        expect(Math.abs(fromSI(toSI(value, unit), unit) - value)).toBeLessThanOrEqual(
          1e-9 * Math.max(1, Math.abs(value)),
        );
      }),
    );
  });

  test('what is printed reads back as the same quantity, to the printed digit', () => {
    fc.assert(
      fc.property(anyUnit, fc.integer({ min: -999_999, max: 999_999 }), (unit, hundredths) => {
        // Nothing is colder than absolute zero: that is refused by its own test.
        const isTemperature = UNITS[unit].kind === 'temperature';
        const value = (isTemperature ? Math.abs(hundredths) : hundredths) / 100;
        const parsed = parseQuantity(
          formatQuantity(toSI(value, unit), unit, { decimals: 2 }),
          UNITS[unit].kind,
        );
        expect(parsed.ok && parsed.unit).toBe(unit);
        expect(parsed.ok && Math.abs(parsed.value - value)).toBeLessThan(1e-6);
      }),
    );
  });

  test('a printed range never reaches outside its limits', () => {
    const torqueUnit = fc.constantFrom('Nm', 'lbf_ft', 'lbf_in', 'kgf_m' as const);
    fc.assert(
      fc.property(
        torqueUnit,
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 3, max: 50, noNaN: true }),
        (unit, low, width) => {
          const [from = '', to = ''] = formatRange(low, low + width, unit).split(/[–\u2009]/);
          expect(toSI(Number(from), unit)).toBeGreaterThanOrEqual(low * (1 - 1e-8));
          expect(toSI(Number(to), unit)).toBeLessThanOrEqual((low + width) * (1 + 1e-8));
        },
      ),
    );
  });
});

describe('formatting', () => {
  test('18–21 N·m is 13.3–15.4 lbf·ft: 16 lbf·ft is over the limit', () => {
    expect(formatRange(18, 21, 'lbf_ft')).toBe('13.3–15.4\u2009lbf·ft');
    expect(toSI(16, 'lbf_ft')).toBeGreaterThan(21);
  });

  test('a narrow range takes the decimals it needs and is never upside down', () => {
    expect(formatRange(19.9, 20.1, 'lbf_ft')).toBe('14.7–14.8\u2009lbf·ft');
    expect(formatRange(20, 20.05, 'lbf_ft')).toBe('14.76–14.78\u2009lbf·ft');
    expect(formatRange(20, 20, 'lbf_ft')).toBe('14.751–14.751\u2009lbf·ft');
    expect(formatRange(20, 20, 'Nm')).toBe('20–20\u2009N·m');
    fc.assert(
      fc.property(
        anyUnit,
        fc.double({ min: 1e-3, max: 1e3, noNaN: true }),
        fc.double({ min: 0, max: 1e-3, noNaN: true }),
        (unit, low, share) => {
          const [from = '', to = ''] = formatRange(low, low * (1 + share), unit).split('–');
          const figure = (text: string) =>
            parseFloat(text.replace(/\u2009(?=\d)/g, '').replace('\u2212', '-'));
          expect(figure(from)).toBeLessThanOrEqual(figure(to));
        },
      ),
    );
  });

  test('a whole limit keeps its figure', () => {
    expect(formatRange(18, 21, 'Nm')).toBe('18–21\u2009N·m');
  });

  test('negative figures carry a true minus and long ones are grouped', () => {
    expect(formatNumber(-0.742, 'mm')).toBe('−742');
    expect(formatNumber(48_000_000, 'km')).toBe('48\u2009000');
    expect(formatNumber(-0.0000001, 'mm')).toBe('0');
  });
});

describe('figures come back as they were typed', () => {
  test('every line of a rule in inches, from a sixteenth to ten feet', () => {
    for (let line = 1; line <= 120 * 16; line += 1) {
      const text = inchFraction((line / 16) * 0.0254);
      if (line % 16 === 0) {
        expect(text).toBeNull();
        continue;
      }
      const read = parseQuantity(`${text} in`, 'length');
      expect(read).toMatchObject({ ok: true, value: line / 16 });
    }
    expect(formatQuantity(29.25 * 0.0254, 'in')).toBe('29 1/4\u2009in');
    expect(formatQuantity(0.742, 'in')).toBe('29.21\u2009in');
  });

  test('a bare number is taken where there is one unit, and asked about where there are more', () => {
    expect(parseQuantity('45', 'angle')).toMatchObject({ ok: true, unit: 'deg', value: 45 });
    expect(parseQuantity('2', 'fraction')).toMatchObject({ ok: true, unit: 'percent' });
    for (const kind of ['length', 'torque', 'pressure', 'distance', 'temperature', 'volume'] as const)
      expect(parseQuantity('20', kind)).toMatchObject({ ok: false, reason: 'unitMissing' });
  });
});
