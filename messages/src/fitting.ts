/** The plan of fitting in words: what a step asks for, why it comes where it does, and what can be done where there is no plan. */
import type { ThreadState } from '@zephyrcombe/core';
import type { Cleaner, Driver, PlanStep, RuleId, StepKind, VehicleCorner } from '@zephyrcombe/core/plan';
import type { FitFactKind } from '@zephyrcombe/contract';
import { lowerFirst } from './lowerFirst.ts';
import { POSE_NAMES } from './names.ts';

type Name = (id: string) => string;
type OfKind<Kind extends StepKind, Step = PlanStep> = Step extends { readonly kind: infer Own }
  ? Kind extends Own
    ? Step
    : never
  : never;

/** An opening as it is read: the port of a joint, or the end of a line. */
function openingName(opening: string, name: Name): string {
  const [what, id = '', end] = opening.split(':');
  return what === 'port'
    ? `port of the ${lowerFirst(name(id))}`
    : `end ${end ?? ''} of ${lowerFirst(name(id))}`;
}

const the = (name: string): string => `the ${lowerFirst(name)}`;
const body = ({ body: which }: { readonly body: 'old' | 'new' }) => which;
const poseWords = (poses: readonly string[]): string =>
  poses
    .map((pose) => (pose in POSE_NAMES ? POSE_NAMES[pose as keyof typeof POSE_NAMES].toLowerCase() : pose))
    .join(', ');

/** What a step asks for, as a colleague would say it. */
const TITLES: { readonly [Kind in StepKind]: (step: OfKind<Kind>, name: Name) => string } = {
  openCover: ({ cover }, name) => `Take ${the(name(cover))} off`,
  closeCover: ({ cover }, name) => `Put ${the(name(cover))} on again`,
  photograph: ({ line }, name) => `Photograph how the old ${lowerFirst(name(line))} runs`,
  offerUp: ({ line }, name) => `Hold the new ${lowerFirst(name(line))} against its route`,
  makeLine: ({ line }, name) => `Make ${the(name(line))}`,
  settle: ({ line }, name) => `Let ${the(name(line))} find its own lie`,
  unplugLead: ({ lead }, name) => `Unplug ${the(name(lead))}`,
  plugLead: ({ lead, side }, name) => `Plug ${the(name(lead))} in, lying ${side} as before`,
  coverPaint: () => 'Cover the paint that fluid can drip on',
  countCaps: () => 'Count the caps: none is left inside',
  soak: ({ joint }, name) => `Put penetrating oil on the outside of ${the(name(joint))}`,
  clean: ({ joint }, name) => `Clean round ${the(name(joint))}`,
  crack: ({ joint }, name) => `Crack ${the(name(joint))}, a quarter turn`,
  mark: ({ joint }, name) => `Mark ${the(name(joint))} across bolt and eye`,
  leakCheck: ({ joint }, name) => `Wipe ${the(name(joint))} and see it stay dry`,
  open: ({ joint, by }, name) =>
    by === 'turningHose'
      ? `Turn the hose out of ${the(name(joint))}`
      : by === 'cut'
        ? `Cut the pipe at ${the(name(joint))}`
        : `Open ${the(name(joint))}`,
  join: ({ joint, by, washers }, name) =>
    by === 'turningHose'
      ? `Turn the hose into ${the(name(joint))} by hand`
      : `Join ${the(name(joint))} by hand${washers > 0 ? `, with ${washers} new washers` : ''}`,
  freshWashers: ({ joint, washers }, name) =>
    `Take the bolt of ${the(name(joint))} out once, put ${washers} new washers in`,
  torque: ({ joint }, name) => `Tighten ${the(name(joint))}`,
  byFeel: ({ joint }, name) => `Tighten ${the(name(joint))}: no figure is known`,
  turnEnd: ({ line, end, angle_deg }, name) =>
    `Turn end ${end} of ${the(name(line))} by ${angle_deg}° on the bench`,
  level: ({ reservoir }, name) => `Bring ${the(name(reservoir))} above its minimum, lid on`,
  drainReservoir: ({ reservoir }, name) => `Suck ${the(name(reservoir))} empty`,
  drainNipple: ({ nipple }, name) => `Drain at ${the(name(nipple))} until air comes`,
  cap: ({ opening }, name) => `Cap the ${openingName(opening, name)}`,
  uncap: ({ opening }, name) => `Take the cap off the ${openingName(opening, name)}`,
  releaseHold: ({ hold }, name) => `Release: ${lowerFirst(name(hold))}`,
  placeHold: ({ hold }, name) => `Put on: ${lowerFirst(name(hold))}`,
  tightenHold: ({ hold }, name) => `Tighten: ${lowerFirst(name(hold))}`,
  takeOff: (step, name) => `Take the ${body(step)} ${lowerFirst(name(step.line))} off`,
  route: (step, name) => `Lay the ${body(step)} ${lowerFirst(name(step.line))} along its route`,
  heat: ({ joint }, name) => `Heat the nut at ${the(name(joint))}`,
  reflare: ({ line, end }, name) => `Flare end ${end} of ${the(name(line))} anew`,
  movement: ({ poses, final }) => `${final ? 'Look once more' : 'Look'} in every pose: ${poseWords(poses)}`,
  bleed: ({ circuit }, name) => `Fill and bleed ${the(name(circuit))}`,
  absCycle: ({ circuit }, name) => `Cycle the ABS unit of ${the(name(circuit))} with a diagnostic tool`,
  pressureHold: ({ circuit }, name) => `Hold full pressure on ${the(name(circuit))}`,
};

export const stepTitle = (step: PlanStep, name: Name): string =>
  (TITLES[step.kind] as (step: PlanStep, name: Name) => string)(step, name);

/** What is said when it is done: the word on the button. */
const DONE: Readonly<Record<StepKind, string>> = {
  openCover: 'Off',
  closeCover: 'On again',
  photograph: 'Photographed',
  offerUp: 'It fits its route',
  makeLine: 'Made',
  settle: 'Settled',
  unplugLead: 'Unplugged',
  plugLead: 'Plugged in',
  coverPaint: 'Covered',
  countCaps: 'Counted, none left',
  soak: 'Soaking',
  clean: 'Clean',
  crack: 'Cracked',
  mark: 'Marked',
  leakCheck: 'Dry',
  open: 'Open',
  join: 'Hand tight',
  freshWashers: 'New washers in',
  torque: 'Tight',
  byFeel: 'Tight by feel',
  turnEnd: 'Turned',
  level: 'Level, lid on',
  drainReservoir: 'Empty',
  drainNipple: 'Drained',
  cap: 'Capped',
  uncap: 'Cap off',
  releaseHold: 'Released',
  placeHold: 'On',
  tightenHold: 'Tight',
  takeOff: 'Off',
  route: 'On its route',
  heat: 'Heated, nut moves',
  reflare: 'Flared',
  movement: 'Clear in every pose',
  bleed: 'Bled',
  absCycle: 'Cycled',
  pressureHold: 'Held',
};
export const stepDone = ({ kind }: Pick<PlanStep, 'kind'>): string => DONE[kind];

/** How it is done well, in a sentence or two; null where its title says it all. Common practice, no published source. */
export function stepHow(step: PlanStep): string | null {
  switch (step.kind) {
    case 'crack':
      return 'No more than that. Flare-nut wrench on a tube nut, and a second wrench on the hose hexagon, so that no pipe twists.';
    case 'open':
      if (step.by === 'cut')
        return 'Cut it straight, close behind the nut. The pipe is flared anew before it is joined.';
      return step.by === 'turningHose'
        ? 'The other end hangs free: turn the whole hose, not the nut.'
        : 'Keep the old bolt and its washers together; they tell what was fitted.';
    case 'join':
      return step.by === 'turningHose'
        ? 'At least three turns by hand. If it does not turn freely, back it out and look at the thread.'
        : 'At least three turns by hand before any wrench.';
    case 'level':
      return 'Kept wet: it must not run dry while one corner is open.';
    case 'drainNipple':
      return 'Do not pump: let it run, or suck it out.';
    case 'heat':
      return 'Drained, and both lines open at their other ends. Face shield and leather gloves on; no chlorinated cleaner anywhere near. Trapped fluid boils and bursts out.';
    case 'settle':
      return 'Clips loose. Let go of it and watch the stripe: no twist. Bend a thin bracket to the hose, never the hose to the bracket.';
    case 'movement':
      return step.final
        ? 'With every lead on and everything tight, as it will be ridden or driven.'
        : 'Clear of tyre, spokes, exhaust, shock and pad pins; not merely not touching.';
    case 'torque':
    case 'byFeel':
      return step.neckHeld
        ? 'Neck on its stop while it is tightened.'
        : step.backup
          ? 'Hold the other hexagon with a second wrench.'
          : null;
    case 'soak':
      return 'Outside only, an hour before it is opened. Go on with the other steps meanwhile.';
    case 'unplugLead':
      return 'With two hands, at the plug, never at the lead.';
    case 'takeOff':
      return step.body === 'old' ? 'Keep it until the vehicle has left: it shows how things were.' : null;
    default:
      return null;
  }
}

/** Why one thing comes before another, in a colleague's words. */
export const RULE_REASONS: Readonly<Record<RuleId, string>> = {
  PR1: 'The new hose is held to its route while the vehicle still has a whole brake: if it does not fit, nothing is lost.',
  PR2: 'The old route is there only once.',
  PR3: 'Oil after cleaning runs into the joint when it is opened.',
  PR4: 'Dirt goes in with the first turn.',
  PR5: 'The first drop finds the paint.',
  PR6: 'A lead in the way is torn off, or ends up inside the loop.',
  PR7: 'A hose made here is proof tested before anybody trusts it.',
  PR8: 'Nobody reaches it with the cover on.',
  FL1: 'This reservoir is kept wet.',
  FL2: 'An ABS unit that ran dry keeps its air until it is cycled.',
  FL3: 'Kept wet, only one part of it stands open at a time, and the level is read before and after.',
  FL4: 'What is left in the line runs out where it is opened.',
  CP1: 'An open end takes in dirt and damp, and drips: it is closed at once.',
  CP2: 'A cap that stays in blocks the brake.',
  CP3: 'One cap too many inside, and the brake is blocked.',
  OF1: 'This end turns with the hose: its other end and everything that holds it have to be free first.',
  OF2: 'Opened at the bottom, what is left runs into the tray.',
  OF3: 'With the top cracked it vents, and the line empties.',
  OF4: 'The end nearer the reservoir is capped first, so that the least runs out.',
  OF5: 'The clip still holds the hexagon: once it is off, only your wrench keeps the pipe from twisting.',
  OF6: 'It does not come off while something still holds it.',
  OF7: 'A nut that turns its pipe is left alone: turn the hose, heat it, or cut.',
  OF8: 'Trapped fluid boils and bursts out: heat only where it is drained and both lines stand open.',
  OF9: 'A cut pipe seals again only with a new flare.',
  OF10: 'The hole is closed: it comes out only when its end is free.',
  ON1: 'This end does not swivel: it goes first, while the whole hose can still be turned.',
  ON2: 'Tightened now, while the far end hangs free, the last quarter turn does not stay in the hose.',
  ON3: 'It cannot be put on once the end is joined.',
  ON4: 'The end that is worse to reach goes first; the slack comes out where there is room.',
  ON5: 'The old one is off, and the new one lies there, before it can be joined.',
  ON6: 'A pipe starts at its far end, so that its near end comes to you.',
  ON7: 'An end is turned once, on the bench, before the hose is on.',
  FN1: 'A hose that was not let settle keeps its twist when the bolts are tightened.',
  FN2: 'Seen in every pose before it is tight: after that nobody moves it.',
  FN3: 'One bolt out at a time, new washers in: then nothing else moves.',
  FN4: 'A figure with its source, or by feel and said so.',
  FN5: 'Marked while it is dry and reachable.',
  FN6: 'The neck on its stop, the hexagon held: else it turns with the bolt.',
  FN7: 'All hand tight first: a joint that will not fit is found before any is tight.',
  CR1: 'One corner is closed and levelled before the next is opened.',
  CR2: 'Everything comes off before anything goes on.',
  EN1: 'Tight, counted, filled, held, dry, and moved once more: in that order each finds what the one before left.',
  EN2: 'Whatever is wrong below the bodywork is found before it is on.',
  BK1: 'The old line goes on again only where it is whole.',
  RP1: 'What is tight stays tight.',
};

/** What can be given up where rules and wishes cannot all be kept. */
export const RULE_REMEDIES: Readonly<Record<RuleId, string>> = {
  PR1: 'Hold the new hose to its route first, or say why it goes without.',
  PR2: 'Go on without a photograph.',
  PR3: 'Leave the oil away.',
  PR4: 'Clean it first.',
  PR5: 'Cover the paint first.',
  PR6: 'Take the lead off first.',
  PR7: 'Proof test the hose, and record it in Specify.',
  PR8: 'Take the cover off first.',
  FL1: 'Drain the reservoir instead of keeping it wet, if the ABS unit can be cycled.',
  FL2: 'Say that the unit can be cycled with a tool, or keep the reservoir wet.',
  FL3: 'Go corner by corner.',
  FL4: 'Drain first, or keep it wet.',
  CP1: 'Cap what stands open.',
  CP2: 'Take the cap off.',
  CP3: 'Count the caps.',
  OF1: 'Order a hose with a swivelling end there.',
  OF2: 'Take the other end first.',
  OF3: 'Open it without venting.',
  OF4: 'Take the other end first.',
  OF5: 'Hold the hexagon with a second wrench.',
  OF6: 'Free it first.',
  OF7: 'Choose another way at the seized nut: turn the hose, heat, or cut and flare anew.',
  OF8: 'Drain it and open both lines, or cut and flare anew.',
  OF9: 'Flare the pipe anew.',
  OF10: 'Open the end first.',
  ON1: 'Order a hose with a swivelling end there.',
  ON2: 'Order a hose with a swivelling end there.',
  ON3: 'Put the bracket or the clip on first.',
  ON4: 'Take the other end first.',
  ON5: 'Take the old one off first.',
  ON6: 'Take the other end first.',
  ON7: 'Order the hose with another clocking.',
  FN1: 'Let it settle first.',
  FN2: 'Look at it in every pose.',
  FN3: 'Take each bolt out once.',
  FN4: 'Enter the figure and its source, or tighten by feel.',
  FN5: 'Mark it afterwards.',
  FN6: 'Hold the neck.',
  FN7: 'Tighten as you go.',
  CR1: 'Close one corner first, or take everything off.',
  CR2: 'Go corner by corner.',
  EN1: 'Do them in their order.',
  EN2: 'Leave the bodywork off for now.',
  BK1: 'Get a whole line: a new one, or another old one.',
  RP1: 'Open the joint again first.',
};

export const SEIZED_WAY_NAMES = {
  auto: 'as the plan has it',
  turnHose: 'turn the hose off the nut',
  heat: 'heat it',
  cut: 'cut the pipe and flare it anew',
} as const;
export const KEPT_NAMES = { auto: 'as the plan has it', wet: 'kept wet', drain: 'drained first' } as const;
export const RHYTHM_NAMES = {
  auto: 'as the plan has it',
  byCorner: 'corner by corner',
  allOff: 'everything off, then everything on',
} as const;
export const TRIAL_WASHER_NAMES = {
  auto: 'as the plan has it',
  on: 'washers on at the trial fit',
  off: 'washers only at the end',
} as const;
export const ACCESS_NAMES = ['open', 'one part in the way', 'deep', 'hidden'] as const;
export const HOLD_KIND_NAMES = {
  supportWasher: 'Support washer',
  bracket: 'Bracket',
  springClip: 'Spring clip',
  pClip: 'Clip along the hose',
  guide: 'Guide',
} as const;

export const DRIVER_NAMES: Readonly<Record<Driver | 'none', string>> = {
  none: 'no screw',
  slotted: 'slotted screwdriver',
  crossHead: 'cross-head screwdriver',
  hexSocket: 'hexagon key',
  starSocket: 'star key',
  hexHead: 'spanner on its hexagon',
};
export const CORNER_NAMES: Readonly<Record<VehicleCorner, string>> = {
  frontLeft: 'front left',
  frontRight: 'front right',
  rearLeft: 'rear left',
  rearRight: 'rear right',
};

export const THREAD_STATE_NAMES: Readonly<Record<ThreadState, string>> = {
  unsaid: 'nobody has said',
  greased: 'grease or paste',
  oiled: 'oil',
  plated: 'dry, plated',
  dry: 'dry, bare or stainless',
};

export const CLEANER_NAMES: Readonly<Record<Cleaner, string>> = {
  none: 'no solvent',
  plain: 'cleaner without chlorine',
  chlorinated: 'chlorinated cleaner',
};

export const FIT_FACT_NAMES: Readonly<Record<FitFactKind, string>> = {
  access: 'how it is reached',
  neckStop: 'a stop for the neck',
  soak: 'wants penetrating oil',
  holds: 'what holds it',
  leads: 'leads along it',
  cover: 'bodywork over it',
  corner: 'the corner that it belongs to',
  demand: 'an order asked for',
  absCycle: 'its ABS unit can be cycled',
  withoutAbs: 'never had an ABS unit',
  seized: 'its nut turns with its pipe',
  turnEnd: 'an end turned on the bench',
  kept: 'kept wet or drained',
  rhythm: 'order of the corners',
  trialWashers: 'washers at the trial fit',
  seizedWay: 'way at the seized nut',
  backOut: 'the old one goes on again',
  oldBroken: 'the old one is not whole',
  cleaner: 'cleaned with',
  movementSeen: 'least distance seen in each pose',
  stripeTurned: 'turn of its stripe from end to end',
  openSpanner: 'an open-ended spanner on its nut',
  sealant: 'tape or paste on its thread',
  bareBracket: 'its bracket trimmed and not painted',
  bleedScrew: 'length of its bleed screw, out and in',
  holdTest: 'its lever held and read',
  leverPulls: 'its lever pulled, and its travel read',
  nippleTop: 'its nipple is the highest point',
  nippleOrder: 'the order of the nipples, by its maker',
  driveSide: 'the side that it is driven from',
  ignitionAsked: 'the ignition that its maker asks for',
  ignition: 'ignition while it was bled',
  bleedWay: 'how it is bled',
  absCycled: 'its ABS unit was cycled',
  padsWet: 'its pads or shoes met fluid',
  nippleSeized: 'would not turn, and was freed',
};
