/** Stable names of units, used in preferences, contract and database. */
export const UNIT_IDS = [
  'mm',
  'cm',
  'm',
  'in',
  'ft',
  'km',
  'mi',
  'Nm',
  'lbf_ft',
  'lbf_in',
  'kgf_m',
  'kPa',
  'MPa',
  'bar',
  'psi',
  'degC',
  'degF',
  'mL',
  'L',
  'fl_oz',
  'deg',
  'percent',
] as const;

export type UnitId = (typeof UNIT_IDS)[number];
