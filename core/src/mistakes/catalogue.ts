/**
 * The mistake catalogue as data. Ids are stable and never reused; gaps are mistakes that no landed feature
 * claims to catch yet. Severity: `stop` needs an override with a reason, `warn` and `note` inform.
 */
import type { SourceId } from '../sources/bibliography.ts';
import type { Caution, CautionId } from './caution.ts';

export type Severity = 'stop' | 'warn' | 'note';

export interface CatalogueEntry {
  readonly severity: Severity;
  readonly source: SourceId;
}

const entry = (severity: Severity, source: SourceId): CatalogueEntry => ({ severity, source });

export const MISTAKES: Readonly<Record<CautionId, CatalogueEntry>> = {
  M01: entry('stop', 'tubeReading'),
  M02: entry('warn', 'tubeReading'),
  M03: entry('stop', 'fittingGeometry'),
  M04: entry('stop', 'hoseBand'),
  M05: entry('stop', 'tubeReading'),
  M06: entry('stop', 'tubeReading'),
  M07: entry('warn', 'tubeReading'),
  M08: entry('warn', 'wireBends'),
  M09: entry('warn', 'aidUncertainty'),
  M10: entry('stop', 'elasticRod'),
  M11: entry('stop', 'routeMargins'),
  M12: entry('warn', 'tieOnBars'),
  M13: entry('stop', 'tubeReading'),
  M14: entry('stop', 'offerUp'),
  M15: entry('stop', 'routeMargins'),
  M16: entry('warn', 'routeMargins'),
  M17: entry('warn', 'liftRule'),
  M18: entry('warn', 'routeMargins'),
  M19: entry('stop', 'fittingGeometry'),
  M20: entry('stop', 'vehicleMaker'),
  M21: entry('stop', 'asmeB11'),
  M22: entry('warn', 'iso68'),
  M23: entry('warn', 'iso965'),
  M24: entry('stop', 'calliperInBore'),
  M25: entry('stop', 'eyeFit'),
  M26: entry('stop', 'seatTable'),
  M27: entry('stop', 'hoseMaker'),
  M28: entry('stop', 'vehicleMaker'),
  M29: entry('stop', 'engagementRule'),
  M30: entry('stop', 'bottomingGap'),
  M31: entry('stop', 'vehicleMaker'),
  M32: entry('warn', 'hoseMaker'),
  M33: entry('note', 'clipFit'),
  M34: entry('warn', 'wrenchClearance'),
  M35: entry('stop', 'plugCount'),
  M36: entry('stop', 'localCode'),
  M37: entry('stop', 'proofTest'),
  M38: entry('stop', 'makeUpOrder'),
  M39: entry('stop', 'makeUpOrder'),
  M40: entry('stop', 'hoseMaker'),
  M41: entry('warn', 'galling'),
  M42: entry('warn', 'nutGap'),
  M43: entry('warn', 'makeUpOrder'),
  M44: entry('stop', 'flareAllowance'),
  M45: entry('stop', 'lineOrder'),
  M46: entry('stop', 'flareForms'),
  M47: entry('stop', 'lineMaterials'),
  M48: entry('warn', 'lineMaterials'),
  M49: entry('stop', 'flareForms'),
  M50: entry('stop', 'cylinderVolume'),
  M52: entry('stop', 'fitOrder'),
  M53: entry('warn', 'fitOrder'),
  M56: entry('stop', 'hoseTwist'),
  M57: entry('stop', 'washerStack'),
  M58: entry('stop', 'hoseMaker'),
  M59: entry('stop', 'washerStack'),
  M62: entry('stop', 'fitOrder'),
  M63: entry('warn', 'fitOrder'),
  M64: entry('stop', 'fitOrder'),
  M65: entry('stop', 'fitOrder'),
  M66: entry('stop', 'fitOrder'),
  M67: entry('stop', 'fitOrder'),
  M68: entry('stop', 'fitOrder'),
  M69: entry('note', 'fitOrder'),
  M70: entry('stop', 'hoseMaker'),
  M71: entry('stop', 'hoseMaker'),
  M72: entry('stop', 'iso6789'),
  M73: entry('stop', 'leverage'),
  M74: entry('warn', 'hoseMaker'),
  M75: entry('stop', 'fluidCap'),
  M76: entry('note', 'fmvss116'),
  M77: entry('stop', 'fluidCap'),
  M78: entry('warn', 'fluidInterval'),
  M79: entry('warn', 'vehicleMaker'),
  M85: entry('warn', 'fitOrder'),
  M92: entry('stop', 'fitOrder'),
  M80: entry('warn', 'bleedScript'),
  M81: entry('stop', 'bleedScript'),
  M82: entry('warn', 'bleedOrder'),
  M83: entry('stop', 'bleedScript'),
  M84: entry('warn', 'bleedScript'),
  M86: entry('stop', 'bleedScript'),
  M87: entry('stop', 'leverFeel'),
  M88: entry('warn', 'bubblesLong'),
  M89: entry('stop', 'vehicleMaker'),
  M90: entry('warn', 'vehicleMaker'),
  M91: entry('note', 'holdTest'),
  M93: entry('warn', 'bleedScript'),
  M94: entry('stop', 'vehicleMaker'),
  M95: entry('stop', 'vehicleMaker'),
  M96: entry('warn', 'vehicleMaker'),
  M97: entry('warn', 'conditionTable'),
  M99: entry('warn', 'fitOrder'),
  M101: entry('stop', 'fittingGeometry'),
  M102: entry('stop', 'whatIsAssumed'),
  M104: entry('stop', 'proofTest'),
  M110: entry('warn', 'bleedScript'),
};

export const severityOf = (caution: Caution): Severity => MISTAKES[caution.id].severity;

/** Cautions that must be cured or overridden before going on. */
export const stopsAmong = (cautions: readonly Caution[]): readonly Caution[] =>
  cautions.filter((caution) => severityOf(caution) === 'stop');

export const CAUTION_IDS = Object.keys(MISTAKES) as readonly CautionId[];
