/** What is wrong with a field, and why something is refused, in words: the server names the code, here stands the sentence. */

export const FIELD_FAULTS = {
  noFigure: 'does not read as a figure with its unit',
  notAsTyped: 'is not what was typed',
  unseenCharacter: 'has a character that cannot be seen or printed',
  noPlaceInList: 'is not a place in this list',
  shorterThanAsked: 'is shorter than the readings and the slack ask for',
  notOnVehicle: 'is not a circuit of this vehicle',
  hoseNotOnVehicle: 'names a hose that is not on this vehicle',
  lineNamedAsHose:
    'names a hard line: name it as one that is made anew, or replace it by a hose on the drawing',
  noHardLine: 'names no hard line of this vehicle',
  noJoint: 'names no joint of this vehicle',
  nothingNamed:
    'is empty: name a hose to replace, a joint to tighten anew, or a circuit whose fluid is changed',
  boltsOnly: 'is for mount bolts and bleed nipples only',
  boltIsOff: 'is of a bolt that is on again: tick it',
  notInJob: 'is not a circuit of this job',
  noVehicleHere: 'is not a vehicle of this shop',
  jobElsewhere: 'is that of a job on another vehicle',
  noStepOfHose: 'is not a step of making this hose',
  splays: 'splays: bind it with tape and ties, and cut it again',
  boxNotLookedAt: 'comes after everything in the box was looked at',
  whyKept: 'has to say why this is kept all the same',
  inFuture: 'lies in the future',
  openedAfterService: 'is after the service',
  circuitNotInJob: 'name a circuit that this job does not work on',
  typedWithoutFigure: 'is left out, and something was typed',
  whatCameOut: 'is missing: say what came out',
  howMuchWasCaught: 'is missing: say how much was caught',
  rangeUpsideDown: 'must be below the upper end of its range',
  notYourPassphrase: 'is not your passphrase',
  firstTried:
    'is among the first that anybody would try: take several words that have nothing to do with the shop or its people',
  notOnCircuits: 'is not on the circuits of this job',
  cannotBeFoundThere: 'cannot be found on a part of this kind',
  noLength: 'is not a length with its unit',
  notAsTypedThere: 'is not what was typed, between the points it was read from',
  notInScope: 'is not in the scope of this job',
  noWrenchHere: 'is not a wrench of this shop',
  calibrationKnown: 'was known: type the right day, or put the wrench out of use',
  noFigureToSet: 'has no figure with a source: no wrench is set to a guess',
  pulledByHand: 'is of a wrench that is no simulation: pull it by hand',
  notThatPull:
    'is not a pull of this wrench at this joint, since it was joined, that stands in no record yet',
  notAsPulled: 'is not what the wrench told: type it without the pull, or record the pull as it was',
  figureKnown: 'has a figure with its source: tighten it to that, and record what was reached',
  noRouteOfHose: 'holds no route of this hose',
  circuitElsewhere: 'is that of a circuit of another vehicle',
  namedAlike: 'names two parts alike: every id is used once',
  noPartOfKind: 'is not a part of this kind in another circuit of the vehicle',
  partElsewhere: 'names a part of another circuit',
  nameTaken: 'is that of somebody else here, or of somebody who was',
  lastLead: 'has to stay with somebody: make another person lead first',
  toBeSaid: 'has to be said',
  notTicked: 'is not ticked',
  portUsedTwice: 'has two joints on one port',
  unknownPart: 'hangs on a part that is not there',
  lineToItself: 'ends where it begins',
  doneByProof: 'is done by recording the proof test, with its pressure and its time',
  notBetweenFerrules: (part: string) => `the ${part} does not lie between the two ferrules`,
  liesOnAnother: (part: string) => `the ${part} lies on another part that it cannot lie on`,
  tooMany: (most: number, what: string) => `would be more than ${most} ${what}: remove one first`,
  stepAsksFor: (step: string) => `has to be said of “${step}”`,
  fluidUnsaid: (circuit: string) => `say nothing of the fluid of: ${circuit}`,
  notTheSigned: (name: string) => `must be the name of who is signed in: ${name}`,
  lessThanRecorded: (distance: string) => `is less than the ${distance} already on record`,
  lessThanRecordedWhy: (distance: string) => `is less than the ${distance} on record: say why`,
  hasWork: (part: string) => `${part} has work on record`,
  wasBled: (circuit: string) => `${circuit} was bled in this job`,
  wasLaidOut: (circuit: string) => `${circuit} was laid out another way`,
  leftOpenBy: (title: string) => `was left open by the job “${title}”`,
  inJob: (title: string) => `is in the job “${title}”`,
  servicesKept: (count: number) => `${count} fluid services are on record`,
} as const;
export type FieldFault = keyof typeof FIELD_FAULTS;
export type FieldFaultFacts<Code extends FieldFault> = (typeof FIELD_FAULTS)[Code] extends (
  ...facts: infer Facts
) => string
  ? Facts
  : readonly [];

export function fieldFaultText<Code extends FieldFault>(code: Code, ...facts: FieldFaultFacts<Code>): string {
  const words = FIELD_FAULTS[code] as string | ((...facts: readonly unknown[]) => string);
  return typeof words === 'string' ? words : words(...facts);
}

/** Why something is not done, with the way out. */
export const REFUSALS = {
  workOnLeaving: 'Work is recorded on what would leave the job. Strike it out first.',
  leftOpenOnDrawing:
    'A joint that would go was left open by a job that was given up. Close it in another job first.',
  lineInOpenJob:
    'An open job replaces a line that would go. Take it out of that job first, or sign the job off.',
  notToLayOut: 'Other layouts are for two or three calipers on one master, joined by hoses and banjos only.',
  workOnLost: 'Work is recorded on hoses that this layout does not have. Strike it out first.',
  noStopForApprentice: 'An apprentice does not go past a stop: fetch a technician or your lead.',
  checksOpen: 'Some handover checks are still open.',
  noSupplier: 'No parts supplier is connected. Send the order sheet instead.',
  supplierForgot: 'The supplier no longer knows of this. Ask for a quote again.',
  supplierUnclear: 'The supplier answered something that is not understood. Send the order sheet instead.',
  noPrinter: 'No label printer is connected. Save the label as PDF instead.',
  printerRefused: 'The label printer refused it. Save the label as PDF instead.',
  outOfPaper: 'The label printer has no labels left. Put a roll in and print again.',
  noWrench: 'No torque wrench that can be read is connected. Read yours yourself and type what it shows.',
  wrenchOutOfRange: (serial: string, range: string, torque: string) =>
    `${serial} can be set to ${range}, and ${torque} is wanted here. Take another wrench, and type what it shows.`,
  pullOtherUnit: (serial: string, unit: string) =>
    `The figures of ${serial} look like ${unit}. Do not tighten on. Set its display to newton metres, then loosen, new washers, and pull again.`,
  keyIsNone: 'The idempotency-key is not a UUID.',
  recordsHang: 'Records hang on it, and records are kept.',
  itemIsOn: (item: string) => `${item} is on record as put on again. Take the tick away first.`,
  tooManyItems: (most: number) => `A job takes ${most} brackets, clips and bolts.`,
  tooManyPhotos: (most: number) => `No more than ${most} photographs are kept of one thing.`,
  underRange: (torque: string, range: string) =>
    `${torque} is under ${range}. Tighten into the range, then record.`,
} as const;
