/** Which unit each person reads, by kind of quantity. */
import type { QuantityKind } from './unit.ts';
import type { UnitId } from './unitId.ts';

export type UnitPreferences = Readonly<Record<QuantityKind, UnitId>>;

export const METRIC: UnitPreferences = {
  length: 'mm',
  distance: 'km',
  torque: 'Nm',
  pressure: 'bar',
  temperature: 'degC',
  volume: 'mL',
  angle: 'deg',
  fraction: 'percent',
};

export const IMPERIAL: UnitPreferences = {
  length: 'in',
  distance: 'mi',
  torque: 'lbf_ft',
  pressure: 'psi',
  temperature: 'degF',
  volume: 'fl_oz',
  angle: 'deg',
  fraction: 'percent',
};
