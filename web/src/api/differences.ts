/** Two versions of a row side by side, in words. */
import type { Writer } from '@zephyrcombe/messages';
import { ANY_VEHICLE, handoverNames, MATERIAL_NAMES } from '@zephyrcombe/messages';

export interface Difference {
  readonly field: string;
  readonly mine: string;
  readonly theirs: string;
}

const NAMES: Readonly<Record<string, string>> = {
  poseChecks: 'Pose checks',
  order_m: 'Order length',
  endA: 'End A',
  endB: 'End B',
  clocking_rad: 'Clocking',
  specified: 'Specified',
  bolt: 'Bolt',
  washer: 'Washers',
  handTight: 'Hand tight',
  leakChecked: 'Leak checked',
  reason: 'Reason',
  endsConfirmed: 'Ends confirmed',
  fitChecks: 'Fit checks',
  handoverChecks: 'Handover checks',
  units: 'Units',
  orderDatum: 'Datum',
  lift: 'Lift',
  height_m: 'height',
  droop_m: 'droop',
  offeredUp: 'offered up',
  controlsFinal: 'lever and bars final',
  bracketsInPlace: 'brackets in place',
  crossedUp: 'axle crossed up',
  leftLock: 'left lock',
  rightLock: 'right lock',
  fullBump: 'full bump',
  settle: 'settled',
  lockToLock: 'lock to lock',
  droopAndBump: 'droop and bump',
  thread: 'thread',
  material: 'material',
  neckAngle_rad: 'bend',
  length_m: 'length',
  thickness_m: 'thickness',
  ...handoverNames(ANY_VEHICLE),
};
const WORDS: Readonly<Record<string, string>> = MATERIAL_NAMES;
const NOT_COMPARED = new Set(['version', 'overrides']);
/** Inside a nested part, only what a person chooses. */
const INNER = new Set(['ferruleToApex_m', 'apexToPoint_m', 'neckLength_m', 'family', 'diameter_m']);

/** The fields both carry and that differ. */
export function describeDifferences(
  mine: Readonly<Record<string, unknown>>,
  theirs: Readonly<Record<string, unknown>>,
  write: Writer,
): readonly Difference[] {
  return Object.keys(mine)
    .filter(
      (field) =>
        !NOT_COMPARED.has(field) &&
        field in theirs &&
        JSON.stringify(mine[field]) !== JSON.stringify(theirs[field]),
    )
    .map((field) => ({
      field: NAMES[field] ?? field,
      mine: inWords(field, mine[field], write),
      theirs: inWords(field, theirs[field], write),
    }));
}

function inWords(field: string, value: unknown, write: Writer): string {
  if (value === null || value === undefined) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') {
    if (field.endsWith('_rad')) return write.angle(value);
    return field.endsWith('_m') ? write.length(value) : String(value);
  }
  if (typeof value === 'string') return WORDS[value] ?? value;
  return Object.entries(value)
    .filter(([key]) => !INNER.has(key))
    .map(([key, entry]) => `${NAMES[key] ?? key}: ${inWords(key, entry, write)}`)
    .join(', ');
}
