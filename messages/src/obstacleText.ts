/** What a person reads of an obstacle, with the way out. */
import type { Change, Fact, NamedStep, Obstacle } from '@zephyrcombe/workshop';
import { RULE_REASONS, RULE_REMEDIES, stepTitle } from './fitting.ts';
import { lowerFirst } from './lowerFirst.ts';
import type { Writer } from './writer.ts';
import {
  BOLT_STATE_NAMES,
  BRAID_NAMES,
  COVER_NAMES,
  FACT_NAMES,
  FIXING_NAMES,
  FLARE_FORM_NAMES,
  LINE_MATERIAL_NAMES,
  LINER_NAMES,
  listOf,
  MATERIAL_NAMES,
  POINT_NAMES,
  SEAL_NAMES,
  SEAT_NAMES,
  TAKE_OFF_SOURCE_NAMES,
} from './names.ts';
import { fieldText } from './fields.ts';

export interface ObstacleText {
  readonly what: string;
  readonly wayOut: string;
}

const PLACES: Readonly<Record<string, string>> = {
  jointA: 'joint at end A',
  jointB: 'joint at end B',
  endA: 'end A',
  endB: 'end B',
};

const LOOKS = { asPattern: 'like the pattern', offCentre: 'off its centre', cracked: 'cracked' };

/** Words for what is kept as a code, by the field. */
const WORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  material: { ...MATERIAL_NAMES, ...LINE_MATERIAL_NAMES },
  formA: FLARE_FORM_NAMES,
  formB: FLARE_FORM_NAMES,
  form: FLARE_FORM_NAMES,
  looksA: LOOKS,
  looksB: LOOKS,
  seatMaterial: MATERIAL_NAMES,
  seat: SEAT_NAMES,
  seal: SEAL_NAMES,
  gender: { external: 'outside', internal: 'inside' },
  boltState: BOLT_STATE_NAMES,
  liner: LINER_NAMES,
  braid: BRAID_NAMES,
  cover: COVER_NAMES,
  fixing: FIXING_NAMES,
  endA: POINT_NAMES,
  endB: POINT_NAMES,
  takeOffsFrom: TAKE_OFF_SOURCE_NAMES,
  outsideFrom: TAKE_OFF_SOURCE_NAMES,
};

function valueText(key: string, fact: Fact | null, write: Writer): string {
  if (fact === null) return 'nothing';
  if (typeof fact === 'number')
    return key.endsWith('_m') ? write.length(fact) : key.endsWith('_rad') ? write.angle(fact) : String(fact);
  if (typeof fact === 'boolean') return fact ? 'yes' : 'no';
  return typeof fact === 'string' ? (WORDS[key]?.[fact] ?? fact) : 'another list';
}

/** "joint at end A, bolt, thread: M10×1.0 → M10×1.25". */
export function changeText({ path, before, after }: Change, write: Writer): string {
  const key = path.at(-1) ?? '';
  // Of a route only a mark is kept, which tells nobody anything.
  if (key === 'route')
    return `the route kept with the vehicle: ${before === 'none' ? 'none' : 'as it was'} → ${after === 'none' ? 'none' : before === 'none' ? 'one is kept' : 'another one'}`;
  const place = path.map((part) => PLACES[part] ?? fieldText(part)).join(', ');
  return `${place}: ${valueText(key, before, write)} → ${valueText(key, after, write)}`;
}

const changesText = (changes: readonly Change[], write: Writer): string =>
  changes.map((change) => changeText(change, write)).join('; ');

const fellBelow = (strokes: number): string =>
  `By the count the reservoir fell below its minimum ${strokes === 1 ? 'a stroke' : `${strokes} strokes`} ago: air may have been drawn in.`;

const SEEN_OF_LINE = {
  outside_m: 'how wide its tube is across the outside',
  material: 'what its tube is made of',
  formA: 'which flare it gets at A',
  formB: 'which flare it gets at B',
  radius_m: 'over which radius it is bent',
  cutAs_m: 'how long it was cut',
  nuts: 'how many nuts were on it before the second flare',
  looksA: 'how the flare at A looks',
  looksB: 'how the flare at B looks',
};

const titleOf = ({ step, names }: NamedStep): string => stepTitle(step, (id) => names[id] ?? 'a part');

/** Where a deed is recorded that is more than a tick. */
const RECORDED_WHERE: Readonly<Partial<Record<NamedStep['step']['kind'], string>>> = {
  freshWashers: 'Fit: it goes with the torque of the joint.',
  torque: 'Fit: record the torque of the joint, with wrench and washers.',
  byFeel: 'Fit: record how the joint was tightened.',
  bleed: 'Bleed: run every nipple clear.',
  pressureHold: 'Hand over: hold the pressure, and say so.',
  leakCheck: 'Hand over: wipe the joint and see it stay dry.',
  makeLine: 'Specify: make the line by its order of work, and say that it is made.',
};

export function obstacleText(obstacle: Obstacle, write: Writer): ObstacleText {
  switch (obstacle.code) {
    case 'fitWaits': {
      const asked = obstacle.askedFor ? `This order is asked for: ${obstacle.askedFor}.` : null;
      const because = obstacle.rule === null ? asked : RULE_REASONS[obstacle.rule];
      return {
        what: `${titleOf(obstacle.step)}: something comes first.${because === null ? '' : ` ${because}`}`,
        wayOut: `First: ${lowerFirst(titleOf(obstacle.before))}.`,
      };
    }
    case 'fitNotPlanned':
      return {
        what: `${titleOf(obstacle.step)}: that is not left to do as things stand.`,
        wayOut: obstacle.instead
          ? `The plan has it otherwise: ${lowerFirst(titleOf(obstacle.instead))}.`
          : 'Look at the plan: it may be done already, or no line of the job asks for it.',
      };
    case 'fitRecordedElsewhere':
      return {
        what: `${titleOf(obstacle.step)}: a tick is no record of it.`,
        wayOut: RECORDED_WHERE[obstacle.step.step.kind] ?? 'Record it where it belongs.',
      };
    case 'fitNotLast':
      return {
        what: `${titleOf(obstacle.step)}: other steps were taken since.`,
        wayOut:
          'Take the steps after it back first, the last one before the others; a joint that is tight is cracked anew.',
      };
    case 'fitStepsLeft':
      return {
        what: `Left to do at the vehicle: ${obstacle.steps.map((step) => lowerFirst(titleOf(step))).join('; ')}.`,
        wayOut: 'Fit: take these steps of the plan, or say there what is different.',
      };
    case 'fitImpossible':
      return {
        what: `There is no order of work that keeps all of this${
          obstacle.subjects.length > 0 ? ` at ${listOf(obstacle.subjects)}` : ''
        }. ${[
          ...obstacle.rules.map((rule) => RULE_REASONS[rule]),
          ...obstacle.demands.map((why) => `An order is asked for: ${why}.`),
        ].join(' ')}`.trim(),
        wayOut: `One of these gives way: ${[
          ...obstacle.rules.map((rule) => RULE_REMEDIES[rule]),
          ...(obstacle.demands.length > 0 ? ['Take back the order that is asked for.'] : []),
        ].join(' ')}`,
      };
    case 'endsNotConfirmed':
      return {
        what: 'Nobody has confirmed what is at the ends.',
        wayOut: 'Look over: confirm the ends of every hose, as seen or knowingly assumed.',
      };
    case 'itemsNotOn':
      return {
        what: `Not on again: ${listOf(obstacle.items)}.`,
        wayOut: 'Fit: put each bracket, clip and mount bolt on again and tick it, or take it out of the job.',
      };
    case 'jointsLeftOpen':
      return {
        what: `Left open when “${obstacle.job}” was given up on ${write.date(obstacle.at)}: ${listOf(
          obstacle.joints,
          'and',
        )}.`,
        wayOut: 'Look over: take them into this job, then tighten them and see them dry.',
      };
    case 'jointsOpenElsewhere':
      return {
        what: `Open in “${obstacle.job}”, which is under way: ${listOf(obstacle.joints, 'and')}.`,
        wayOut: 'Close and sign that job first, or give it up and take its joints into this one.',
      };
    case 'itemsLeftOff':
      return {
        what: `Left off when “${obstacle.job}” was given up on ${write.date(obstacle.at)}: ${listOf(
          obstacle.items,
          'and',
        )}.`,
        wayOut: 'Fit: note each under the same name, put it on and tick it.',
      };
    case 'lineNotMeasured':
      return {
        what: `${obstacle.line} has no pattern yet.`,
        wayOut: 'Measure: take its legs and bends from the old pipe or a wire.',
      };
    case 'lineNotMade':
      return {
        what: `Nobody has said that ${obstacle.line} is made.`,
        wayOut: 'Specify: make it by its order of work, look at both flares, and say so.',
      };
    case 'lineNotSeen':
      return {
        what: `Of ${obstacle.line} nobody has said: ${listOf(obstacle.unseen.map((field) => SEEN_OF_LINE[field]))}.`,
        wayOut: 'Fill it in from the tube, the bender and the flares at hand: a blank is no yes.',
      };
    case 'changedSinceMade':
      return {
        what: `${obstacle.line} was made as something else: ${changesText(obstacle.changes, write)}.`,
        wayOut: 'Look at the made line against the pattern of now, and say anew that it is made.',
      };
    case 'notLookedOver':
      return {
        what: 'Nobody has looked the brake over.',
        wayOut: 'Look over: see the cap and its fluid, nipples, hoses and joints, and tick it.',
      };
    case 'notMeasured':
      return {
        what: `No length was taken: ${obstacle.hose}.`,
        wayOut: 'Measure: take its readings and its length.',
      };
    case 'notSpecified':
      return {
        what: `Not specified: ${obstacle.hose}.`,
        wayOut: 'Specify it, with what stands against it answered.',
      };
    case 'changedSinceSpecified':
      return {
        what: `${obstacle.hose} is not what was specified.`,
        wayOut: `Changed: ${changesText(obstacle.changes, write)}. Specify it again, or put it back as it was.`,
      };
    case 'changedSinceMeasured':
      return {
        what: `What the length of ${obstacle.hose} was taken from is another now.`,
        wayOut: `Changed: ${changesText(obstacle.changes, write)}. Measure: take the length again.`,
      };
    case 'changedSinceTorqued':
      return {
        what: `${obstacle.joint} was tightened with other parts.`,
        wayOut: `Changed: ${changesText(obstacle.changes, write)}. Fresh washers, and torque it again.`,
      };
    case 'changedSinceQuoted':
      return {
        what: 'The order is not the one that was quoted.',
        wayOut: 'Ask the supplier for a quote again.',
      };
    case 'boxReturned':
      return {
        what: `The hose in the box of ${obstacle.hose} goes back.`,
        wayOut: 'Check in the one that comes instead, and accept it.',
      };
    case 'boxUndecided':
      return {
        what: `The box of ${obstacle.hose} was opened and nobody has decided about it.`,
        wayOut: 'Look at all of it, and accept it or send it back.',
      };
    case 'boxNotAsOrdered':
      return {
        what: `What was found in the box of ${obstacle.hose} is not what is ordered now.`,
        wayOut: 'Look at the box again and decide anew, or send it back.',
      };
    case 'boxNotOpened':
      return {
        what: `Nobody has looked into the box of ${obstacle.hose}.`,
        wayOut: 'Check it in, item by item, and accept it or send it back.',
      };
    case 'changedSinceBox':
      return {
        what: `What was accepted out of the box of ${obstacle.hose} is not what is ordered now: ${changesText(obstacle.changes, write)}.`,
        wayOut: 'Box: look at the hose again as it is ordered now, and decide anew, or send it back.',
      };
    case 'changedSinceProved':
      return {
        what: `${obstacle.hose} was proved as another hose: ${changesText(obstacle.changes, write)}.`,
        wayOut: 'Build: make it as it is specified now, and prove it again.',
      };
    case 'boxNotCome':
      return {
        what: 'The hoses are ordered and have not come.',
        wayOut: 'Open the box and check the hoses in first.',
      };
    case 'boltUsedUp':
      return {
        what: `The bolt at ${obstacle.joint} does not go back: aluminium stretches once, and one that is necked, galled or rounded breaks.`,
        wayOut: 'Take a new bolt, and say at the joint that it is new.',
      };
    case 'movesOtherwise':
      return {
        what: `${obstacle.hose} comes nearer to something than its drawing has it.`,
        wayOut: 'Move the hose or its clip and look again, or take its length anew in Measure.',
      };
    case 'portNotSeen':
      return {
        what: `Not seen yet at ${obstacle.joint}: ${listOf(
          obstacle.facts.map((fact) => FACT_NAMES[fact]),
          'and',
        )}.`,
        wayOut: `It is open now: ${listOf(
          [
            ...(obstacle.facts.some((fact) => fact !== 'eyeThickness_m') ? ['look into the port'] : []),
            ...(obstacle.facts.includes('eyeThickness_m') ? ['measure the eye'] : []),
          ],
          'and',
        )}, and say what is there.`,
      };
    case 'notProved':
      return {
        what: `${obstacle.hose} was made up here and is not proved, or still wet from its proof.`,
        wayOut: 'Finish its build sheet first.',
      };
    case 'madeUpAlready':
      return {
        what: `${obstacle.hose} has steps on its build sheet.`,
        wayOut: 'Take those steps back first, if it really was not made up here.',
      };
    case 'notMadeHere':
      return {
        what: `${obstacle.hose} is not said to be made up here.`,
        wayOut: 'Say so in Specify; then its build sheet opens.',
      };
    case 'nothingToOrder':
      return {
        what: 'No hose is specified for a supplier yet.',
        wayOut: 'Specify one first.',
      };
    case 'notQuoted':
      return { what: 'Nobody has asked for a quote.', wayOut: 'Ask for one first.' };
    case 'nothingOrdered':
      return { what: 'Nothing is ordered that could come.', wayOut: 'Order it first.' };
    case 'notHandTight':
      return {
        what: `${obstacle.joint} is not on hand tight.`,
        wayOut: 'Put it on by hand first, and let the hose settle.',
      };
    case 'tightenedTooFar':
      return {
        what: `${obstacle.joint} was tightened too far before.`,
        wayOut:
          obstacle.seal === 'banjo'
            ? 'Take it apart, fit a new bolt and fresh washers, look at the thread in the port, and say that the bolt is new.'
            : 'Take it apart, look at the seat and at both threads, and say that they are sound.',
      };
    case 'lineOpen':
      return {
        what: `Open: ${listOf(obstacle.joints, 'and')}. Whoever presses now throws the fluid out and draws air in.`,
        wayOut: 'Fit: join it first, or keep hands and feet off.',
      };
    case 'reservoirEmpty':
      return {
        what: fellBelow(obstacle.strokesOver),
        wayOut: 'Top up, pump on and look at what comes.',
      };
    case 'reservoirEmptied':
      return {
        what: 'More was caught than the reservoir has between its marks: air may have been drawn in.',
        wayOut: 'Top up, go on and look at what comes.',
      };
    case 'airSaid':
      return {
        what: 'That air went in is not taken back.',
        wayOut: 'Let through what it takes until it is out; of an ABS unit say why it holds none.',
      };
    case 'drewBackByLever':
      return {
        what: 'The lever or pedal came back while the nipple was open: air went in there.',
        wayOut: 'At least three whole strokes more: close it first, then let go.',
      };
    case 'drewBackBySuction':
      return {
        what: 'The suction came off while the nipple was open: air went in there.',
        wayOut: 'Draw on until it is through, close the nipple, and take the suction off after that.',
      };
    case 'ranDry':
      return {
        what:
          obstacle.by === 'seen'
            ? 'The reservoir ran dry: air stands behind the master, where nobody sees it.'
            : 'By the count the reservoir was below its minimum: air may stand behind the master, where nobody sees it.',
        wayOut: 'Top up, and let through what the whole line to this nipple holds before it is called clear.',
      };
    case 'openedAgain':
      return {
        what: `Opened again after it was tightened: ${listOf(obstacle.joints, 'and')}.`,
        wayOut: 'Fit: new washers, and torque it again; then see it dry under pressure.',
      };
    case 'sharedReservoirEmpty':
      return {
        what: `${fellBelow(obstacle.strokesOver)} It also feeds ${obstacle.others.join(', ')}.`,
        wayOut: 'Top up, pump on at every circuit and look at what comes.',
      };
    case 'jointsNotTorqued':
      return {
        what: `Not torqued: ${obstacle.joints.join(', ')}.`,
        wayOut: 'Fit: record the torque of every joint.',
      };
    case 'jointsNotDry':
      return {
        what: `Nobody has seen dry: ${obstacle.joints.join(', ')}.`,
        wayOut: 'Hand over: wipe every joint and see that it stays dry under pressure.',
      };
    case 'leverSinks':
      return {
        what: `${obstacle.circuit}: the lever or pedal sank by ${write.length(obstacle.creep_m)} while it was held.`,
        wayOut: obstacle.fades
          ? 'Hand over: it sinks ever slower. Hold it again, for longer.'
          : 'Wipe each joint and look for the leak; where all is dry the master lets fluid past. Then hold it again.',
      };
    case 'nipplesNotClear':
      return {
        what: `Not run clear yet: ${obstacle.nipples.join(', ')}.`,
        wayOut: 'Bleed: go on until the outflow is clear and free of bubbles.',
      };
  }
}
