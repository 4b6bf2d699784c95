import { execFileSync } from 'node:child_process';
import { fromSI, toSI } from './convert.ts';
import type { UnitId } from './unitId.ts';

/**
 * Source: GNU units (Debian package `units`), an independent implementation with its own definitions.
 * Torque is asked for as the product of force and length.
 */
function gnuUnits(have: string, want: string): number {
  const text = execFileSync('/usr/bin/units', ['--terse', '-o', '%.15g', have, want], { encoding: 'utf8' });
  return Number(text.trim().split('\n')[0]);
}

const FACTORS: readonly [UnitId, string, string][] = [
  ['mm', 'mm', 'm'],
  ['cm', 'cm', 'm'],
  ['in', 'inch', 'm'],
  ['ft', 'ft', 'm'],
  ['km', 'km', 'm'],
  ['mi', 'mile', 'm'],
  ['lbf_ft', 'lbf ft', 'N m'],
  ['lbf_in', 'lbf inch', 'N m'],
  ['kgf_m', 'kgf m', 'N m'],
  ['kPa', 'kPa', 'Pa'],
  ['MPa', 'MPa', 'Pa'],
  ['bar', 'bar', 'Pa'],
  ['psi', 'psi', 'Pa'],
  ['mL', 'ml', 'm^3'],
  ['L', 'l', 'm^3'],
  ['fl_oz', 'usfloz', 'm^3'],
  ['deg', 'degree', 'radian'],
  ['percent', 'percent', '1'],
];

describe('unit factors against GNU units', () => {
  test.each(FACTORS)('%s has the factor GNU units gives', (unit, have, want) => {
    const expected = gnuUnits(have, want);
    expect(Math.abs(toSI(1, unit) - expected) / expected).toBeLessThan(1e-13);
  });

  test.each([
    ['degC', 'tempC(20)', 20],
    ['degF', 'tempF(311)', 311],
  ] as const)('an absolute temperature in %s agrees', (unit, have, value) => {
    expect(toSI(value, unit)).toBeCloseTo(gnuUnits(have, 'K'), 9);
  });
});

/** Source: torque conversions worked from the exact definitions of lbf and ft; checked by hand, 9 digits. */
describe('torque conversions of a worked table', () => {
  test.each([
    [8, 5.900497194218123, 70.80596633061748, 0.8157729703823426],
    [17, 12.53855653771351, 150.46267845256213, 1.733517562062478],
    [20, 14.751242985545307, 177.0149158265437, 2.0394324259558565],
    [30, 22.126864478317962, 265.5223737398155, 3.059148638933785],
  ])('%p N·m', (torque_Nm, lbf_ft, lbf_in, kgf_m) => {
    expect(fromSI(torque_Nm, 'lbf_ft')).toBeCloseTo(lbf_ft, 6);
    expect(fromSI(torque_Nm, 'lbf_in')).toBeCloseTo(lbf_in, 5);
    expect(fromSI(torque_Nm, 'kgf_m')).toBeCloseTo(kgf_m, 9);
  });

  test('multiplying lbf·ft by twelve gives lbf·in (common practice, no published source)', () => {
    expect(fromSI(toSI(12, 'lbf_ft'), 'lbf_in')).toBeCloseTo(144, 9);
  });
});
