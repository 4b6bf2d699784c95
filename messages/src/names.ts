/** What the domain's own words are called on screen and paper. */
import type { ItemKind, LeftJointState, LogKind } from '@zephyrcombe/contract';
import type { BleedAssumed, BleedMissing } from '@zephyrcombe/core/bleeding';
import type {
  Aid,
  AlongKind,
  AlongReason,
  BendPlane,
  BoltCarries,
  BoltState,
  BoltVerdict,
  Braid,
  BuildReason,
  ComponentKind,
  Cover,
  EndFixing,
  FlareForm,
  HowKnown,
  JointMaterial,
  KitItem,
  KitVerdict,
  Knowable,
  Knowing,
  LengthPoint,
  LineMaterial,
  Liner,
  Lubricant,
  MakeUpStepKind,
  MetalPair,
  Origin,
  Outflow,
  Pose,
  ProofFault,
  ProofMedium,
  QuantityKind,
  SealKind,
  SourceId,
  SourceKind,
  Stage,
  TorquePart,
  VehicleCaution,
  TakeOffSource,
  HoldVerdict,
} from '@zephyrcombe/core';
import { SOURCES } from '@zephyrcombe/core';

export const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  'look-over': 'Look over',
  measure: 'Measure',
  specify: 'Specify',
  fit: 'Fit',
  bleed: 'Bleed',
  'hand-over': 'Hand over',
};

export const POSE_NAMES: Readonly<Record<Pose, string>> = {
  fullDroop: 'Full droop',
  straightAhead: 'Straight ahead',
  leftLock: 'Left lock',
  rightLock: 'Right lock',
  fullBump: 'Full bump',
  crossedUp: 'Axle crossed up',
};

export const AID_NAMES: Readonly<Record<Aid, string>> = { tube: 'Tube', wire: 'Wire', string: 'String' };

export const POINT_NAMES: Readonly<Record<LengthPoint, string>> = {
  eyeCentre: 'eye centre',
  threadEnd: 'thread end',
  behindNeck: 'behind the neck',
  ferruleFace: 'ferrule',
};

/** "eye centre to eye centre", "behind the necks": how a datum is read out loud. */
export function datumName(datum: { readonly endA: LengthPoint; readonly endB: LengthPoint }): string {
  if (datum.endA === 'behindNeck' && datum.endB === 'behindNeck') return 'behind the necks';
  if (datum.endA === 'ferruleFace' && datum.endB === 'ferruleFace') return 'hose only, ferrule to ferrule';
  return `${POINT_NAMES[datum.endA]} to ${POINT_NAMES[datum.endB]}`;
}

export const SEAL_NAMES: Readonly<Record<SealKind, string>> = {
  banjo: 'banjo',
  flare: 'flare nut',
  screwed: 'screwed end',
};

export const MATERIAL_NAMES: Readonly<Record<JointMaterial, string>> = {
  aluminium: 'aluminium',
  copper: 'copper',
  steel: 'steel',
  stainless: 'stainless steel',
};

export const LINE_MATERIAL_NAMES: Readonly<Record<LineMaterial, string>> = {
  copperNickel: 'copper-nickel 90/10',
  coatedSteel: 'coated steel',
  stainless: 'stainless steel',
  copper: 'plain copper',
};

export const ITEM_NAMES: Readonly<Record<ItemKind, string>> = {
  bracket: 'bracket',
  clip: 'clip',
  mountBolt: 'mount bolt',
  nipple: 'bleed nipple',
};

export const FLARE_FORM_NAMES: Readonly<Record<FlareForm, string>> = {
  doubleFlare: 'double flare',
  bubbleFlare: 'bubble flare',
  singleFlare: 'single flare',
  compression: 'compression fitting',
};

export const COMPONENT_NAMES: Readonly<Record<ComponentKind, string>> = {
  reservoir: 'Reservoir',
  master: 'Master cylinder',
  absUnit: 'ABS unit',
  junction: 'Junction',
  bracket: 'Hose bracket',
  caliper: 'Caliper',
  wheelCylinder: 'Wheel cylinder',
  bleedNipple: 'Bleed nipple',
  pressureSwitch: 'Pressure switch',
};

export const BODY_NAMES = {
  frame: 'frame',
  handlebar: 'handlebar',
  lowerYoke: 'lower yoke',
  forkLower: 'fork slider',
  swingarm: 'swing arm',
  sidecarArm: 'sidecar arm',
  knuckle: 'hub carrier that steers',
  axle: 'live axle',
  hubCarrier: 'hub carrier that does not steer',
} as const;

export const SEAT_NAMES = {
  flatWasherFace: 'flat washer face',
  invertedFlare: 'inverted flare',
  bubbleFlare: 'bubble flare',
  taperSeat: 'taper seat',
} as const;

export const OUTFLOW_NAMES: Readonly<Record<Outflow, string>> = {
  bubbles: 'bubbles',
  blackTea: 'black',
  tea: 'tea',
  honey: 'honey',
  straw: 'straw',
};

export const LOG_NAMES: Readonly<Record<LogKind, string>> = {
  opened: 'Job opened',
  renamed: 'Job renamed',
  lookedOver: 'Looked over',
  findingRecorded: 'Finding recorded',
  findingStruck: 'Finding struck out',
  photoAdded: 'Photograph added',
  hosesChosen: 'Hoses of the job chosen',
  layoutChosen: 'Laid out another way',
  readingTaken: 'Reading taken',
  readingStruck: 'Reading struck out',
  poseChecked: 'Poses checked',
  liftEntered: 'Lift entered',
  traceSaved: 'Tracing kept',
  traceRemoved: 'Tracing removed',
  donorChecked: 'Hose from the shelf checked',
  routeJudged: 'Route judged',
  lineJudged: 'Hard line judged',
  patternTaken: 'Pattern of a hard line',
  lineMade: 'Making of a hard line',
  lengthTaken: 'Order length taken',
  orderTermsSet: 'Order details',
  specified: 'Specified',
  quoted: 'Quoted by a supplier',
  ordered: 'Ordered',
  delivered: 'Delivered',
  made: 'Made up',
  proved: 'Proof test',
  kitChecked: 'Kit checked in',
  itemSaved: 'Bracket, clip or bolt',
  itemRemoved: 'Bracket, clip or bolt taken out',
  plugsCounted: 'Caps counted',
  fitStepTaken: 'Fitting',
  fitFactSaid: 'Said for the plan of fitting',
  portSeen: 'Seen at the port',
  handTight: 'Hand tight',
  fitChecked: 'Fit checks',
  torqued: 'Torque recorded',
  bled: 'Bleeding',
  leakChecked: 'Leak check',
  handoverChecked: 'Handover checks',
  finished: 'Signed off',
  abandoned: 'Job abandoned',
};

export const SOURCE_KIND_NAMES: Readonly<Record<SourceKind, string>> = {
  standard: 'standard',
  textbook: 'textbook',
  maker: 'maker’s figure',
  commonPractice: 'common practice',
  derivation: 'derived here',
  estimate: 'our estimate',
};

/** What a torque figure is for. */
export const TORQUE_PART_NAMES: Readonly<Record<TorquePart, string>> = {
  joint: 'the vehicle’s joint with its own parts',
  kit: 'the hose maker’s kit',
  bolt: 'the bolt itself',
};

/** Whose figure a torque is, short; null is nobody's. */
export function torqueSourceName(source: SourceId | null): string {
  if (source === null) return 'no source given';
  return source === 'hoseMaker'
    ? 'hose maker’s sheet'
    : source === 'vehicleMaker'
      ? 'vehicle maker’s manual'
      : SOURCE_KIND_NAMES[SOURCES[source].kind];
}

export const KIND_NAMES: Readonly<Record<QuantityKind, string>> = {
  length: 'length',
  distance: 'distance',
  torque: 'torque',
  pressure: 'pressure',
  temperature: 'temperature',
  volume: 'volume',
  angle: 'angle',
  fraction: 'share',
};

export const VEHICLE_CAUTION_TEXTS: Readonly<
  Record<VehicleCaution, { readonly title: string; readonly advice: string }>
> = {
  licensedPractice: {
    title: 'The vehicle maker’s manual and local law come first',
    advice:
      'Brake work may be reserved to licensed people where you are. Figures here carry their source; an estimate is never a specification.',
  },
  absMustNotRunDry: {
    title: 'The ABS unit must not run dry',
    advice:
      'Keep the reservoir above its minimum throughout. Air in the unit stays until a diagnostic tool cycles its valves.',
  },
  linkedBrakes: {
    title: 'Linked brakes',
    advice: 'Front and rear share lines: bleed in the maker’s order and check both controls.',
  },
  electricBooster: {
    title: 'Electric brake booster',
    advice: 'It can build pressure by itself. Follow the maker’s service mode before opening anything.',
  },
  roadMarkedHose: {
    title: 'Road vehicle: hose needs its marking',
    advice: 'Unmarked or home-made hose may not be lawful on the road. Check what your local code asks for.',
  },
  competitionParts: {
    title: 'Competition use only',
    advice: 'Parts on this vehicle may not be lawful on the road.',
  },
  sidecarThreeCalipers: {
    title: 'Three calipers on one master',
    advice:
      'The sidecar wheel’s caliper is the farthest point: it is bled first, and its hose moves with the sidecar arm.',
  },
  fluidAttacksPaint: {
    title: 'Brake fluid attacks paint and eyes',
    advice: 'Gloves and eye protection on, paint covered, water at hand. Pads that met fluid are replaced.',
  },
};

/** "a", "a or b", "a, b or c"; with another word between the last two when one is given. */
export const FACT_NAMES: Readonly<Record<Knowable | 'takeOff' | 'outside' | 'bendRadius', string>> = {
  thread: 'thread',
  seat: 'seat',
  depth_m: 'depth',
  seatMaterial: 'metal of the seat',
  eyeThickness_m: 'thickness of the eye',
  hexagon_m: 'hexagon',
  masterBore_m: 'bore of the master',
  leverStroke_m: 'travel of the lever',
  leverRatio: 'ratio of the lever',
  usable_m3: 'volume of the reservoir',
  bore_m: 'bore of the line',
  takeOff: 'take-offs of the end',
  outside: 'outside of the hose',
  bendRadius: 'least bend radius of the hose',
};

/** Where dimensions of an end or a hose come from. */
export const TAKE_OFF_SOURCE_NAMES: Readonly<Record<TakeOffSource, string>> = {
  example: 'an example of ours',
  makersData: 'the maker’s sheet',
  measured: 'measured',
};

/** As a label. */
export const HOW_KNOWN_NAMES: Readonly<Record<HowKnown, string>> = {
  measured: 'measured',
  seen: 'seen',
  assumed: 'assumed',
};

/** After "assumed". */
export const ORIGIN_NAMES: Readonly<Record<Origin, string>> = {
  pattern: 'from the starting pattern',
  oldPart: 'from the old part',
  makersData: 'from the maker’s data',
  example: 'from an example of ours',
  changedSince: 'from figures that were changed since it was read',
  notSaid: 'on nobody’s word',
};

/** "seen by Brannoc Hale", "assumed from the old part", "not known". */
export function knowingText(knowing: Knowing): string {
  if (knowing.how === 'unknown') return 'not known';
  if (knowing.how === 'assumed') return `assumed ${ORIGIN_NAMES[knowing.origin ?? 'notSaid']}`;
  return `${HOW_KNOWN_NAMES[knowing.how]}${knowing.by === undefined ? '' : ` by ${knowing.by}`}`;
}

export function listOf(words: readonly string[], last: 'or' | 'and' = 'or'): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;
}

export const LINER_NAMES: Readonly<Record<Liner, string>> = { ptfe: 'PTFE', rubber: 'rubber' };
export const BRAID_NAMES: Readonly<Record<Braid, string>> = {
  stainless: 'stainless steel',
  aramid: 'aramid',
  textile: 'textile',
};
export const COVER_NAMES: Readonly<Record<Cover, string>> = {
  bare: 'bare braid',
  clear: 'clear',
  coloured: 'coloured',
  rubber: 'rubber',
};
export const FIXING_NAMES: Readonly<Record<EndFixing, string>> = {
  crimped: 'crimped on',
  screwed: 'screwed on by hand',
};
export const ALONG_NAMES: Readonly<Record<AlongKind, string>> = {
  clip: 'clip',
  stiffener: 'stiffener',
  sleeve: 'sleeve',
  sheath: 'rubber sheath',
  label: 'label',
};
export const ALONG_REASON_NAMES: Readonly<Record<AlongReason, string>> = {
  route: 'from the kept route',
  contact: 'something comes near here',
  usual: 'every hose has one',
  chosen: 'put there by hand',
};
export const BUILD_REASON_NAMES: Readonly<Record<BuildReason, string>> = {
  fitted: 'as the hose that is on it',
  bolt: 'from the bolt, with a little play',
  route: 'from the kept route',
  example: 'our example: the hose maker’s sheet replaces it',
  usual: 'as most are',
};
export const BEND_PLANE_NAMES: Readonly<Record<BendPlane, string>> = {
  acrossEye: 'away from the eye’s face',
  inEye: 'in the plane of the eye',
};
export const BOLT_CARRIES_NAMES: Readonly<Record<BoltCarries, string>> = {
  bleeder: 'a bleed nipple in its head',
  switch: 'the stop-lamp switch',
  lockWire: 'a hole for lock wire',
};
/** What a lever that was held and read says. */
export const HOLD_WORDS: Readonly<Record<HoldVerdict, string>> = {
  unread: 'One reading more, a minute or longer after it has settled.',
  tooShort: 'Too short to prove anything: read it again when a minute more has passed.',
  stands: 'It stands.',
  fades: 'It sank, ever slower: hold it again, for longer.',
  creeps: 'It sinks: wipe each joint and look for the leak; where all is dry, the master lets fluid past.',
};
/** What the simulator of bleeding takes for granted. */
export const BLEED_ASSUMED_NAMES: Readonly<Record<BleedAssumed, string>> = {
  reservoir: 'the volume of the reservoir',
  heights: 'heights that are usual for such parts',
  cavities: 'the room in calipers and unions',
  nipples: 'nipples at the top of their calipers, where nobody has looked',
  absUnit: 'an ABS unit without air, which pumping would not show',
};
export const BLEED_MISSING_NAMES: Readonly<Record<BleedMissing, string>> = {
  master: 'a master cylinder',
  masterBore: 'the bore of the master',
  leverStroke: 'how far its lever or pedal goes',
  leverRatio: 'the ratio of its lever or pedal',
  nipple: 'a bleed nipple',
};
/** How a job that was given up left a joint. */
export const LEFT_JOINT_WORDS: Readonly<Record<LeftJointState, string>> = {
  open: 'opened, and not tight',
  tooFar: 'tightened too far: its bolt or its seat may have given',
  unproved: 'tight, and nobody has seen it dry',
};

export const BOLT_STATE_NAMES: Readonly<Record<BoltState, string>> = {
  new: 'new',
  usedSound: 'used, no mark on it',
  usedMarked: 'used, necked, galled or rounded',
};
export const MAKE_UP_STEP_NAMES: Readonly<Record<MakeUpStepKind, string>> = {
  cut: 'Bind and cut',
  clean: 'Tap the dust out and blow it through',
  nutA: 'Nut of end A on, its thread towards the end',
  oliveA: 'Olive of end A home under the braid',
  joinA: 'Join end A',
  slideOn: 'Slide on what stays on the hose',
  nutB: 'Nut of end B on, its thread towards the end',
  oliveB: 'Olive of end B home under the braid',
  clock: 'Turn end B to its clocking',
  joinB: 'Join end B',
  measure: 'Measure the finished hose',
  proof: 'Proof test',
  dry: 'Blow the water out',
  cap: 'Shrink the labels, cap both ends',
};
export const LUBRICANT_NAMES: Readonly<Record<Lubricant, string>> = {
  ptfeGrease: 'PTFE grease',
  oil: 'a drop of oil',
  none: 'nothing',
};
export const METAL_PAIR_NAMES: Readonly<Record<MetalPair, string>> = {
  stainless: 'stainless on stainless',
  platedSteel: 'plated steel',
  aluminium: 'aluminium on aluminium',
  copperAlloy: 'copper alloy',
};
export const PROOF_MEDIUM_NAMES: Readonly<Record<ProofMedium, string>> = {
  water: 'water',
  brakeFluid: 'brake fluid',
};
export const PROOF_FAULT_NAMES: Readonly<Record<ProofFault, string>> = {
  pressure: 'the pressure was too low',
  hold: 'it was not held long enough',
  leaked: 'it leaked or the gauge fell',
};
export const KIT_ITEM_NAMES: Readonly<Record<KitItem, string>> = {
  length: 'length',
  endA: 'end A',
  endB: 'end B',
  clocking: 'clocking',
  bolts: 'bolts',
  washers: 'washers',
  marking: 'marking',
  dateCode: 'date code',
  bore: 'bore',
};
export const KIT_VERDICT_NAMES: Readonly<Record<KitVerdict, string>> = {
  accept: 'accept',
  adapt: 'adapt',
  return: 'return',
};

/** What becomes of a used bolt; nothing to say of one that goes on. */
export const BOLT_VERDICTS: Readonly<
  Record<
    BoltVerdict,
    { readonly severity: 'note' | 'warn' | 'stop'; readonly title: string; readonly text: string } | null
  >
> = {
  fit: null,
  inspect: {
    severity: 'note',
    title: 'Look at the bolt before it goes back',
    text: 'Thread and neck clean and straight, cross-hole without a crack, hexagon sharp. The vehicle maker may ask for a new one always.',
  },
  scrap: {
    severity: 'stop',
    title: 'This bolt does not go back',
    text: 'Aluminium stretches once; a necked, galled or rounded bolt breaks at the right torque. Take a new one.',
  },
};
