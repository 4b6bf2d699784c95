/** What a field of a request or of a calculation is called by people. The API keeps its own path beside it. */
import { ANY_VEHICLE, FIT_CHECK_NAMES, handoverNames, POSE_CHECK_NAMES } from './checks.ts';

/** By the whole path, or by its last name; what is not here reads well as the code spells it, taken apart. */
const OWN_WORDS: Readonly<Record<string, string>> = {
  // Calculations.
  length_m: 'length',
  reading_Nm: 'torque',
  remainingTravel_m: 'travel left',
  minimum_Nm: 'least torque',
  maximum_Nm: 'greatest torque',
  calibratedOn: 'day of the calibration',
  distance_m: 'distance',
  boltLength_m: 'bolt length',
  usable_m3: 'reservoir volume',
  masterBore_m: 'master bore',
  leverStroke_m: 'travel of lever or pedal',
  leverRatio: 'ratio of lever or pedal',
  intervalMonths: 'interval',
  makerIntervalMonths: 'vehicle maker’s interval in months',
  makerIntervalDistance_m: 'vehicle maker’s interval in distance',
  pitches: 'number of pitches',
  threads: 'number of threads',
  within_m: 'length counted over',
  uncertainty_m: 'accuracy',
  insertionA_m: 'hose inside the fitting of end A',
  insertionB_m: 'hose inside the fitting of end B',
  bore_m: 'bore',
  neck_m: 'neck of the bolt',
  washerInside_m: 'hole of the washer',
  torque_Nm: 'torque',
  kerf_m: 'loss at each cut',
  worthKeeping_m: 'shortest rest worth keeping',
  flareA_m: 'flare allowance of end A',
  flareB_m: 'flare allowance of end B',
  unionGap_m: 'gap at the unions',
  tolerance_m: 'length tolerance',
  short_m: 'length short of the shoulder',
  wrenchMaximum_Nm: 'greatest torque of the wrench',
  wrenchMinimum_Nm: 'beginning of the scale of the wrench',
  strokes: 'number of strokes',
  // Ends and the line.
  endA: 'end A',
  endB: 'end B',
  A: 'end A',
  B: 'end B',
  'start.neck': 'neck of the first end',
  'end.neck': 'neck of the far end',
  neckAngle_rad: 'bend of the neck',
  ferruleToApex_m: 'length from ferrule to bend',
  apexToPoint_m: 'length from bend to sealing point',
  neckLength_m: 'length of the neck',
  takeOffsFrom: 'where the take-offs come from',
  clocking_rad: 'clocking',
  behindNeck: 'length behind the necks',
  eyeBore_m: 'hole of the eye',
  eyeThickness_m: 'thickness of the eye',
  hexagon_m: 'width across flats',
  madeHere: 'made up here',
  bendPlane: 'plane of the bend',
  direction_rad: 'direction of the bend',
  tab: 'locating tab',
  from_m: 'place along the hose',
  at_m: 'place along the hose',
  builtOn: 'day the vehicle was built',
  looked: 'looked at the vehicle',
  orderDatum: 'what the maker counts from',
  order_m: 'order length',
  droop_m: 'further droop',
  put: 'caps put on',
  out: 'caps taken off',
  boltState: 'state of the bolt',
  oldIsSwitch: 'old bolt was the switch',
  hold_s: 'time held',
  typed: 'text as typed',
  found: 'what was found',
  dateCode: 'date code',
  boreClear: 'bore clear',
  turnsA: 'turns of wire at end A',
  turnsB: 'turns of wire at end B',
  boltA_m: 'bolt at end A',
  boltB_m: 'bolt at end B',
  strandFree: 'no loose strand',
  cutFace: 'face of the cut',
  setBackBecause: 'why the distance is set back',
  servicedOn: 'date of the service',
  bottleOpenedOn: 'day the bottle was opened',
  grade: 'fluid',
  batch: 'batch on the bottle',
  distanceTyped: 'distance as typed',
  oldColour: 'old fluid’s colour',
  oldWaterFraction: 'old fluid’s water',
  madeOn: 'date made',
  abs: 'ABS',
  fromJointId: 'joint the line starts at',
  toJointId: 'joint the line ends at',
  attachedTo: 'part that it sits on',
  sameAs: 'part of another circuit that this one is',
  brakeWorkRule: 'rule for brake work',
  onHand: 'number in stock',
  tryOnly: 'try only',
  rake_rad: 'rake',
  lock_rad: 'steering lock',
  armAxis: 'axis of the arm',
  eyeAxis: 'axis of the eye',
  port_m: 'place of the port',
  steeringPoint_m: 'point on the steering axis',
  lowerJoint_m: 'lower joint',
  swing_rad: 'swing of the sidecar wheel',
  // Rows that are named by their key.
  personId: 'person',
  vehicleId: 'vehicle',
  circuitId: 'circuit',
  hoseIds: 'hoses of the job',
  circuitIds: 'circuits of the job',
  services: 'fluid of each circuit',
  hoseId: 'hose',
  jointId: 'joint',
  portId: 'port',
  componentId: 'part',
  nippleId: 'nipple',
  subjectId: 'part it is about',
  wrenchId: 'wrench',
  serviceId: 'number of the service',
  traceId: 'tracings',
  cornerId: 'corner with the route',
  after: 'place in the list',
  id: 'own number',
  '(body)': 'request',
  ...POSE_CHECK_NAMES,
  ...FIT_CHECK_NAMES,
  ...handoverNames(ANY_VEHICLE),
};

/** Of one in a list: "leg 2", counted as people count. */
const IN_LISTS: Readonly<Record<string, string>> = {
  legs: 'leg',
  bends: 'bend',
  pieces: 'piece',
  stocks: 'stock length',
  circuits: 'circuit',
  components: 'part',
  ports: 'port',
  joints: 'joint',
  hoses: 'hose',
  clips: 'clip',
  keepOuts: 'part near the hose',
  stiffeners: 'stiffener',
  sleeves: 'sleeve',
  along: 'part along the hose',
  overrides: 'reason',
};

/** "leverStroke_m" is the lever stroke. */
const takenApart = (name: string): string =>
  name
    .replace(/_[A-Za-z0-9]+$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();

const isIndex = (part: string | undefined): boolean => part !== undefined && /^\d+$/.test(part);

/** The own words of a field, or those of its last name, with the place in a list before it: "joint 3, least torque". */
export function fieldText(field: string): string {
  const parts = field.split('.');
  const last = parts.findLast((part) => !isIndex(part)) ?? field;
  const listAt = parts.findLastIndex((part, index) => part in IN_LISTS && isIndex(parts[index + 1]));
  const list = parts[listAt];
  const listed = list === undefined ? null : `${IN_LISTS[list] ?? list} ${Number(parts[listAt + 1]) + 1}`;
  if (listed !== null && last === list) return listed;
  const name = OWN_WORDS[field] ?? OWN_WORDS[last] ?? takenApart(last);
  return listed === null ? name : `${listed}, ${name}`;
}
