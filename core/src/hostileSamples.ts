/**
 * A sound input or more for every public function, for the property test of hostile figures. None: it takes no figures, only names,
 * dates and truths.
 */
import { EXAMPLE_BENDS_deg } from './fittings/exampleEnds.ts';
import * as core from './index.ts';
import { countingIds } from './layout/testCircuits.ts';
import { SAMPLE_FORK, patternScene } from './route/testScenes.ts';
import type { SceneHose } from './route/sceneParts.ts';

type Sample = () => readonly unknown[];

const banjo = core.exampleBanjo(20);
const threaded = core.EXAMPLE_THREADED;
const grid = core.gridOf(SAMPLE_FORK.rig, 3);
const poses = core.solveScene(SAMPLE_FORK, grid);
const installed = poses[grid.installed];
const rear = patternScene('swingArm');
const rearGrid = core.gridOf(rear.rig, 3);
const scan = { from_m: 0.6, to_m: 0.9, nominal_m: SAMPLE_FORK.hose.length_m };
const ends = {
  start: { point_m: [0, 0, 0], tangent: [1, 0, 0] },
  end: { point_m: [0.3, 0.12, 0.08], tangent: [0, 1, 0] },
  length_m: 0.45,
};
const circuit = core.startPattern('twinLongHoses', {
  newId: countingIds(),
  drive: 'left',
  abs: false,
  rearEnd: 'banjo',
})[0];
if (!circuit || !installed) throw new Error('no sample');
/** What a solve of a sound scene made, and is only read again: its figures are not people's. */
export const SOLVED = new WeakSet<object>([poses, installed]);
const lengths = { endA: 'eyeCentre', endB: 'behindNeck' } as const;
const conversion = { length_m: 0.742, given: lengths, wanted: lengths, endA: banjo, endB: banjo };
const line: core.HardLine = {
  legs_m: [0.2, 0.3],
  legDatum: 'apex',
  bends: [{ angle_rad: 1, roll_rad: 0 }],
  radius_m: 0.015,
  endA: { flare_m: 0.006 },
  endB: { flare_m: 0.006 },
  unionGap_m: 0,
};
const made = core.developed(line);
if (!made.ok) throw new Error('no line');
const range = { minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker' } as const;
const master = { masterBore_m: 0.014, leverStroke_m: 0.06, leverRatio: 6, efficiency: 1 };
const interval = { intervalMonths: 24, intervalDistance_m: 4e7 };
const question: core.ThreadQuestion = {
  gender: 'external',
  condition: 'clean',
  readings: [
    { kind: 'diameter', diameter_m: 0.00988, uncertainty_m: 5e-5, jawFlat_m: 0 },
    { kind: 'span', span_m: 0.005, pitches: 5, uncertainty_m: 5e-5 },
    { kind: 'count', threads: 10, within_m: 0.01 },
  ],
};
const tracing: core.Tracing = {
  scale: { kind: 'even', from: { x: 0, y: 0 }, to: { x: 300, y: 0 }, distance_m: 0.1 },
  line: 'smooth',
  points: [
    { x: 0, y: 0 },
    { x: 100, y: 50 },
    { x: 200, y: 300 },
    { x: 500, y: 300 },
  ],
};
const aside: core.Tracing = {
  ...tracing,
  line: 'straight',
  scale: {
    kind: 'perspective',
    corners: [
      { x: 0, y: 0 },
      { x: 400, y: 20 },
      { x: 420, y: 300 },
      { x: -10, y: 320 },
    ],
    width_m: 0.2,
    height_m: 0.15,
  },
};
const end: core.EndFitting = {
  material: 'steel',
  bendPlane: 'acrossEye',
  direction_rad: 0.3,
  eyeBore_m: 0.0102,
  turnable: false,
  tab: false,
  bracket: false,
  knurled: false,
  supportWasher: false,
};
const along: readonly core.AlongPart[] = [
  {
    id: 'a',
    kind: 'clip',
    from_m: 0.2,
    length_m: 0,
    outside_m: 0.012,
    clip_m: 0.0115,
    note: '',
    because: 'route',
  },
  {
    id: 'b',
    kind: 'sleeve',
    from_m: 0.3,
    length_m: 0.1,
    outside_m: 0.01,
    clip_m: null,
    note: '',
    because: 'usual',
  },
];
const build: core.HoseBuild = {
  bore_m: 0.0032,
  outside_m: 0.0075,
  liner: 'ptfe',
  braid: 'stainless',
  cover: 'clear',
  tolerance_m: 0.003,
  fixing: 'crimped',
  madeHere: false,
  endA: end,
  endB: end,
  along,
  split: null,
};
const kitEnd = { family: 'banjo', neckAngle_rad: 0.3, eyeBore_m: 0.0102, thread: 'M10×1.0' } as const;
const order: core.KitOrder = {
  length_m: 0.7,
  tolerance_m: 0.003,
  longest_m: 0.75,
  endA: { ...kitEnd, bolt_m: 0.01, turnable: null },
  endB: { ...kitEnd, bolt_m: 0.01, turnable: null },
  clocking_rad: 0.5,
  bolts: 2,
  washers: 4,
  use: 'road',
};
const found: core.KitFound = {
  length_m: 0.701,
  endA: kitEnd,
  endB: kitEnd,
  clocking_rad: 0.5,
  bolts: 2,
  washers: 4,
  marking: 'SAE J1401',
  dateCode: '24 26',
  boreClear: true,
};
const donorEnd = { family: 'banjo', neckAngle_rad: 0.3, thread: null } as const;
const bolt = {
  diameter_m: 0.01,
  pitch_m: 0.001,
  bore_m: 0.005,
  crossHole_m: 0.003,
  crossHoles: 1,
  neck_m: 0.0082,
  yield_Pa: 640e6,
};
const bill = [
  { part: { kind: 'washer', hole_m: 0.01, thickness_m: 0.0015, material: 'copper' }, count: 4 },
  { part: { kind: 'hose', name: 'Front', length_m: 0.7 }, count: 1 },
] as const;
const clipped: SceneHose = {
  ...SAMPLE_FORK.hose,
  clips: [
    {
      id: 'g',
      body: 'bars',
      point_m: [0.12, -0.12, 0.8],
      along: [0.3, 0.1, -0.95],
      at_m: 0.25,
      slides: true,
    },
  ],
  stiffeners: [{ id: 's', from_m: 0.4, length_m: 0.05 }],
  sleeves: [{ id: 'sl', from_m: 0.3, length_m: 0.05, outside_m: 0.012 }],
};
const guided = { ...SAMPLE_FORK, hose: clipped };
const plain = (value_m: number) => String(value_m);
const none: readonly Sample[] = [];

export const samples: Readonly<Record<string, readonly Sample[]>> = {
  unitsOf: none,
  parseQuantity: none,
  severityOf: none,
  stopsAmong: none,
  sealingPointOf: none,
  sealingDatum: none,
  judgeWasherMaterial: none,
  checksFor: none,
  movementOf: none,
  posesFor: none,
  judgeOfferUp: none,
  eyesOn: none,
  vehicleCautions: none,
  judgeGrade: none,
  judgeBottle: none,
  handoverChecks: none,
  judgeAbsLeftOut: none,
  judgeBleedScrew: [() => [{ out_m: 0.032, in_m: 0.036, mayBeAnother: true }]],
  judgeNippleHeight: [() => [{ isTop: null, cameOff: false, nipple_m: 0.4, caliper_m: 0.35 }]],
  judgeHandover: none,
  judgeRecord: none,
  judgeBoltThread: none,
  isClear: none,
  caughtSinceTopUp: none,
  isByStrokes: none,
  isBySuction: none,
  judgeBleedWay: none,
  judgeIgnition: none,
  judgeSeizedNipple: none,
  judgeWetPads: none,
  sharingParts: none,
  precedence: none,
  strokesSinceTopUp: none,
  diameterLimits: none,
  sameThread: none,
  threadKey: none,
  threadNamed: none,
  swappableThreads: none,
  hostsFirst: none,
  circuitFaults: [() => [circuit]],
  joinedCircuits: none,
  addComponent: none,
  attachPart: none,
  changeComponent: none,
  changeEnd: none,
  changeJoint: none,
  changeLine: none,
  changePort: none,
  assumedOfJoint: none,
  unseenOfJoint: none,
  judgeAssumedJoint: none,
  judgeTakeOffs: none,
  judgeHoseFigures: none,
  isVouched: none,
  endOn: none,
  judgeHoseOutside: none,
  knowingOf: none,
  withKnown: none,
  connect: none,
  insertJunction: none,
  removeComponent: none,
  removeLine: none,
  replaceLine: none,
  startPattern: none,
  canBeLaidOut: none,
  layOut: none,
  layoutOf: none,
  conditionsOn: none,
  judgeLeftOn: none,
  recommend: none,
  hoseAge: none,
  readDateCode: none,
  outcomesOf: none,
  diagnose: none,
  endsFor: none,
  judgeFlareSeat: none,
  judgeSeat: none,
  refuseEnd: none,
  boltReuse: none,
  judgeSwitch: none,
  judgeStepOrder: none,
  makeUpSteps: none,
  stepsOpen: none,
  stepsResting: none,
  judgeCut: none,
  judgeWashers: none,
  lubricantFor: none,
  metalPair: none,
  exampleBanjo: none,
  exampleThreaded: none,
  exampleEnd: none,
  clocks: none,
  needsClocking: none,
  formatNumber: [() => [0.742, 'mm'], () => [293.15, 'degF']],
  formatQuantity: [() => [0.742, 'mm'], () => [20, 'lbf_ft']],
  formatRange: [() => [18, 21, 'lbf_ft']],
  convertLength: [() => [conversion], () => [{ ...conversion, path: 'projected' }]],
  boltEngagement: [
    () => [
      {
        eyes: 1,
        eyeThickness_m: 0.0075,
        washerThickness_m: 0.0015,
        boltLength_m: 0.02,
        boltDiameter_m: 0.01,
        portDepth_m: 0.014,
      },
    ],
  ],
  judgeTorque: [() => [20, range, 60]],
  patternsExclude: [() => ['quad', 'trike']],
  inchFraction: [() => [0.2159]],
  governingTorque: [() => [[{ ...range, part: 'kit', forBolt: null, isFitted: true }]]],
  judgeTorquePart: [
    () => [
      { governing: { ...range, part: 'kit', forBolt: null, isFitted: true }, others: [] },
      { metal: 'aluminium' },
      20,
    ],
  ],
  wrenchRange: [() => [60]],
  washersNeeded: [() => [2, 3]],
  orderLength: [
    () => [
      [
        {
          pose: 'fullDroop',
          length_m: 0.728,
          aid: 'wire',
          uncertainty_m: 0.002,
          remainingTravel_m: 0.01,
          tightBends: { quarters: 2, radius_m: 0.02 },
        },
        {
          pose: 'fullDroop',
          length_m: 0.73,
          aid: 'tube',
          uncertainty_m: null,
          remainingTravel_m: 0,
          tightBends: null,
        },
      ],
      {
        checks: {
          controlsFinal: true,
          bracketsInPlace: true,
          leftLock: true,
          rightLock: true,
          fullBump: true,
          crossedUp: true,
        },
        movement: { onControls: true, steers: true, travels: true, solidAxle: false },
        lift: { height_m: 0.02, droop_m: 0.01 },
        datumKnown: true,
        slack_m: 0.0125,
        routeShort_m: 0.7,
      },
    ],
  ],
  judgeDonor: [
    () => [
      { needed_m: 0.7, longest_m: 0.76, endA: donorEnd, endB: donorEnd },
      { length_m: 0.72, endA: donorEnd, endB: donorEnd },
    ],
  ],
  wrapAllowance: [() => [{ turnsA: 1, turnsB: 1, boltA_m: 0.01, boltB_m: 0.01, wire_m: 0.0016 }]],
  judgeUnit: [() => [8.5, 'in'], () => [742, null]],
  measureLine: none,
  angleBetweenLegs: [() => [tracing, 0, 1]],
  measureTracing: [() => [tracing], () => [aside]],
  distancesFromMaster: [() => [circuit]],
  nippleOrder: [() => [circuit]],
  nippleOrderOver: [() => [[circuit]]],
  refillGuard: [() => [master, 3e-5, 4, true]],
  strokeVolume: [() => [master]],
  volumeByStrokes: [() => [master, 12]],
  strokeByStrokes: [() => [master, 3e-5, 12]],
  soonUntil: none,
  judgeDueDate: none,
  judgeDueDistance: [() => [5e7, 1e7, 4e7]],
  judgeDue: [() => [{ dueOn: '2027-01-01', dueDistance_m: 5e7 }, '2026-11-27', 1e7, 4e7]],
  nextDue: [() => ['2026-11-27', 1e7, interval]],
  strictestInterval: [() => [interval, { intervalMonths: 12, intervalDistance_m: 2e7 }]],
  judgeClocking: [() => [banjo, threaded, 0.5]],
  judgeTorqueAttempt: [
    () => [{ seal: 'banjo', eyes: 1, freshWashers: 2, reading_Nm: 20, range, wrenchMaximum_Nm: 60 }],
    () => [
      {
        seal: 'flare',
        eyes: 0,
        freshWashers: 0,
        reading_Nm: 17,
        range,
        wrenchMaximum_Nm: 60,
        adapter: { wrench_m: 0.25, extension_m: 0.04, angle_rad: 0.5 },
      },
    ],
  ],
  minorDiameter_m: [() => [0.01, 0.001]],
  profile: [() => [0.01, 0.001, 5]],
  findThread: [
    () => [question],
    () => [{ ...question, gender: 'internal', readings: question.readings.slice(0, 1) }],
  ],
  furtherMeasurement: [
    () => [question, 5],
    () => [{ ...question, readings: question.readings.slice(0, 1) }, 5],
  ],
  layoutFigures: [() => [circuit]],
  judgeWrench: [() => [0.014, 0.014]],
  wrenchesFor: [() => [0.014]],
  armedStrut: none,
  liveAxle: none,
  steeredLower: none,
  steeredUpper: none,
  strut: none,
  swingArm: none,
  forkAxis: none,
  placementOf: none,
  placed: none,
  distanceTo: none,
  // Reads the ends of a movement as they are entered; whatever solves over them is asked.
  axesOf: none,
  gridOf: [() => [SAMPLE_FORK.rig, 3]],
  planarDubins: [() => [{ x_m: 0, y_m: 0, heading_rad: 0.3 }, { x_m: 0.3, y_m: 0.1, heading_rad: 1 }, 0.04]],
  shortestBetween: [() => [ends.start, ends.end, 0.04]],
  spaceArcStraightArc: [() => [ends.start, ends.end, 0.04]],
  turnsBound_m: [() => [ends.start, ends.end, 0.04]],
  solveRod: [() => [ends], () => [{ ...ends, stiffs: [{ from_m: 0.1, to_m: 0.15 }] }]],
  bendNeeded: [() => ['banjo', [1, 0, 1], [0, 0, 1]], () => ['threaded', [1, 0, 1], [0, 0, 1]]],
  banjoBendNeeded_rad: [
    () => [
      [1, 0, 1],
      [0, 0, 1],
    ],
  ],
  screwedBendNeeded_rad: [
    () => [
      [1, 0, 1],
      [0, 0, 1],
    ],
  ],
  lyingOf: [() => [{ outward: [1, 0, 1], neck: { along: [1, 0, 0], length_m: 0.01 }, eyeAxis: [0, 0, 1] }]],
  neckDirection: [() => [[1, 0, 0], [0, 0, 1], 0.3]],
  twistBetween_rad: [() => [0.3, 0.5]],
  // These read what a solve made: their figures come from it.
  bending: none,
  curvatures: none,
  rodLine: none,
  leastGapsByPose: none,
  rodPoints: none,
  stiffEnds: none,
  tightestBend: none,
  carried: none,
  clocking_rad: none,
  coarserPoses: none,
  imposedTwist_rad: none,
  shapesOf: none,
  sleeveLines: none,
  cornersOf: none,
  neckAlong: none,
  pointedEnd: none,
  fittedEnd: none,
  mirrored: none,
  sceneOf: none,
  withChange: none,
  roomIn: none,
  piecesApart: none,
  leastGap_m: [() => [{ gap_m: 0.02, nature: 'hot', sleeved: false }, false]],
  sceneProblem: [() => [SAMPLE_FORK], () => [rear], () => [guided]],
  piecesOf: [() => [SAMPLE_FORK, 0.7]],
  portChord_m: [() => [SAMPLE_FORK]],
  solvePose: [() => [SAMPLE_FORK, { across: 0.1, down: 0.01 }, installed]],
  followScene: [() => [SAMPLE_FORK, grid, poses]],
  solveScene: [() => [SAMPLE_FORK, grid], () => [guided, core.gridOf(guided.rig, 1)]],
  eachLength: [() => [rear, rearGrid, { from_m: 0.4, to_m: 0.6, nominal_m: rear.hose.length_m }, 3]],
  judgeAt: [() => [SAMPLE_FORK, grid, 0.72]],
  judgeScene: [() => [SAMPLE_FORK, poses, installed]],
  scanLengths: [() => [rear, rearGrid, { from_m: 0.4, to_m: 0.6, nominal_m: rear.hose.length_m }, 3]],
  sceneWindow: [() => [rear, rearGrid, { from_m: 0.4, to_m: 0.6, nominal_m: rear.hose.length_m }]],
  searchSceneWindow: [() => [SAMPLE_FORK, grid, scan]],
  worstPose: [() => [SAMPLE_FORK, grid, poses, 'radius', 1]],
  lowerBound: [() => [rear, rearGrid]],
  lowerBound_m: [() => [rear, rearGrid]],
  proveRoute: [() => [SAMPLE_FORK, grid, poses, false]],
  checkChords: [() => [rear, [{ pose: { across: 0, down: 0 }, chord_m: core.portChord_m(rear) }]]],
  findFittings: [() => [rear, { bends_deg: [EXAMPLE_BENDS_deg[0]], startTurns: false, endTurns: false }]],
  contactsOf: [() => [rear]],
  developed: [() => [line]],
  setback_m: [() => [0.015, 1]],
  bendMarks: [() => [line, made.value, 0.02]],
  isFlat: [() => [line]],
  linePieces: [() => [line, made.value]],
  linePoints: none,
  patternFrom: [
    () => [
      [
        [0, 0, 0],
        [0.2, 0, 0],
        [0.2, 0.3, 0],
      ],
    ],
  ],
  judgeLine: [
    () => [
      { material: 'copperNickel', formA: 'doubleFlare', formB: 'doubleFlare' },
      made.value,
      { cutAs_m: 0.5, nuts: 2, looksA: null, looksB: null, bentBack: [0] },
    ],
  ],
  lineSteps: [() => [line, made.value, 0.05]],
  cutList: [
    () => [
      [
        { id: 'a', length_m: 0.7 },
        { id: 'b', length_m: 0.5 },
      ],
      [{ id: 'r', length_m: 5 }],
      { kerf_m: 0.003, worthKeeping_m: 0.2 },
    ],
  ],
  cutLength: [() => [{ ...conversion, wanted: undefined, insertionA_m: 0.013, insertionB_m: 0.013 }]],
  endTemplate: [
    () => [banjo, core.EXAMPLE_BUILD, { length: plain, angle: plain }],
    () => [threaded, core.EXAMPLE_BUILD, { length: plain, angle: plain }],
  ],
  eyeFromAbove: [() => [core.EXAMPLE_BUILD, 0.02]],
  bendGauge: [() => [[0.3, 0.6], plain]],
  calibrationBars: none,
  boltLoad: [
    () => [
      {
        bolt,
        washer: { outside_m: 0.014, inside_m: 0.0102 },
        torque_Nm: 20,
        threadFriction: 0.12,
        headFriction: 0.12,
        pressure_Pa: 10e6,
      },
    ],
  ],
  usualBoltAndWasher: none,
  judgeCalibration: none,
  boltUnderTorque: [
    () => [
      {
        bolt,
        washer: { outside_m: 0.014, inside_m: 0.0102 },
        torque_Nm: 20,
        threads: 'oiled' as const,
        pressure_Pa: 10e6,
      },
    ],
  ],
  jointPassage: [
    () => [
      {
        bore_m: 0.005,
        crossHole_m: 0.003,
        crossHoles: 1,
        neck_m: 0.0082,
        eyeBore_m: 0.0102,
        eyeThickness_m: 0.0075,
        hoseBore_m: 0.0032,
      },
    ],
  ],
  isNoFigure: none,
  judgeMovement: [
    () => [{ poses: [{ pose: 'leftLock', seen_m: 0.01 }], expected_m: 0.012, margin_m: 0.005 }],
  ],
  judgeHold: [
    () => [
      [
        { at_s: 60, travel_m: 0.03 },
        { at_s: 240, travel_m: 0.031 },
      ],
      { masterBore_m: 0.014, leverRatio: 6 },
    ],
  ],
  airFromPulls: [
    () => [
      { masterBore_m: 0.014, leverRatio: 6 },
      { pressure_Pa: 1e6, lever_m: 0.018 },
      { pressure_Pa: 6e6, lever_m: 0.06 },
    ],
  ],
  expectedTravel: [
    () => [
      {
        masterBore_m: 0.014,
        leverRatio: 6,
        hoses: [{ length_m: 0.9, bore_m: 0.0032, swells: 'low' }],
        fluid_m3: 3e-5,
        calipers: 1,
      },
      4e6,
    ],
  ],
  isSamePull: [() => [4e6, 4.2e6]],
  judgeStripe: [() => [{ turned_rad: 0.2, free_m: 0.7, most_rad_per_m: 0.17 }]],
  judgePull: [
    () => [
      {
        set_Nm: 20,
        samples: [
          { at_s: 0, angle_rad: 0, torque_Nm: 0.3 },
          { at_s: 0.04, angle_rad: 0.3, torque_Nm: 8 },
          { at_s: 0.08, angle_rad: 0.7, torque_Nm: 20 },
        ],
      },
    ],
  ],
  crowfootTorque: [() => [{ read_Nm: 17, wrench_m: 0.25, extension_m: 0.04, angle_rad: 0.5 }]],
  crowfootSetting: [() => [{ target_Nm: 20, wrench_m: 0.25, extension_m: 0.04, angle_rad: 0.5 }]],
  linePressure: [() => [{ force_N: 80, leverRatio: 6, efficiency: 1, masterBore_m: 0.014 }]],
  caliperClamp: [() => [8e6, [0.032, 0.03], 'opposed']],
  brakeTorque: [() => [12_000, 0.45, 0.142]],
  airSqueezed: [() => [1e6, 'adiabatic', 101_325]],
  leverTravel: [
    () => [
      {
        masterBore_m: 0.014,
        leverRatio: 6,
        pressure_Pa: 7e6,
        hoseSwell_m3: 1e-6,
        fluid_m3: 25e-6,
        bulkModulus_Pa: 1.8e9,
        air_m3: 0.2e-6,
        gas: 'isothermal',
        padTakeUp_m3: 0,
      },
    ],
  ],
  airFromTravel: [
    () => [{ masterBore_m: 0.014, leverRatio: 6, extra_m: 0.01, pressure_Pa: 7e6, gas: 'isothermal' }],
  ],
  separateAir: [
    () => [
      { masterBore_m: 0.014, leverRatio: 6 },
      { pressure_Pa: 1e6, lever_m: 0.0135 },
      { pressure_Pa: 6e6, lever_m: 0.0376 },
    ],
  ],
  hoseSwellLimit: [() => [0.9, 0.003, 7e6, 'low']],
  fluidModel: [() => [{ dry_K: 503.15, wet_K: 428.15 }]],
  boilingPoint_K: [() => [{ dry_K: 503.15, wet_K: 428.15 }, 0.02, 101_325]],
  waterForBoiling: [() => [{ dry_K: 503.15, wet_K: 428.15 }, 450]],
  waterVapour_Pa: [() => [400]],
  washout: [() => [2]],
  washoutNeeded: [() => [0.95]],
  lineVolume_m3: [() => [[{ length_m: 0.9, bore_m: 0.0032 }]]],
  bubbleRise: [
    () => [
      { bore_m: 0.0035, density_kg_per_m3: 1050, surfaceTension_N_per_m: 0.0355, viscosity_Pa_s: 0.016 },
    ],
  ],
  criticalBore_m: [() => [1050, 0.0355]],
  flareTube: [() => [0.00476, 0.0071]],
  judgeEye: [() => [0.0102, 0.01]],
  judgeBuild: [() => [build, { use: 'road', clocking_rad: 0.4, boltA_m: 0.01, boltB_m: 0.01 }]],
  freeHose: [() => [0.7, banjo, banjo]],
  inOrder: none,
  kept: [() => [0.3, 0.1, { from_m: 0.03, to_m: 0.6 }]],
  placeFaults: [() => [along, { from_m: 0.03, to_m: 0.6 }]],
  suggestBuild: [
    () => [
      {
        hoseName: 'Front',
        bore_m: 0.0032,
        length_m: 0.7,
        endA: banjo,
        endB: banjo,
        boltA_m: 0.01,
        boltB_m: 0.01,
        route: {
          outside_m: 0.0075,
          clips: [{ id: 'c', at_m: 0.3 }],
          stiffeners: [{ id: 's', from_m: 0.1, length_m: 0.05 }],
          sleeves: [{ id: 'l', from_m: 0.4, length_m: 0.05, outside_m: 0.01 }],
          contacts: [{ part: 'Pipe', at_m: 0.5 }],
        },
      },
    ],
  ],
  judgeNut: [() => ['A', 'steel', { lubricant: 'oil', gap_m: 0.001 }]],
  judgeOlive: [() => ['A', { strandFree: true, short_m: 0 }]],
  judgePlugs: [() => [2, 2]],
  judgeProof: [() => [true, { pressure_Pa: 20e6, hold_s: 60, tight: true }]],
  proofFaults: [() => [{ pressure_Pa: 20e6, hold_s: 60, tight: true }]],
  judgeKit: [() => [order, found]],
  billOf: [() => [bill, new Map()]],
  keyOf: [
    () => [bill[0].part],
    () => [{ kind: 'bolt', eyes: 1, thread: 'M10×1.0', length_m: 0.02, material: 'steel', carries: [] }],
  ],
};
