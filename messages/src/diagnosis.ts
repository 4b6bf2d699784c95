/** Words of the symptom helper: what is felt, what can be behind it, and how to tell. */
import type { Cause, CheckId, CheckOutcome, Symptom } from '@zephyrcombe/core';

export const SYMPTOM_WORDS: Readonly<Record<Symptom, string>> = {
  pull: 'Pulls to one side',
  drag: 'Drags, runs hot',
  spongy: 'Spongy',
  longTravel: 'Long travel',
  hard: 'Hard, little bite',
  sinks: 'Sinks under a steady hand',
  leak: 'Wet somewhere',
};

interface CauseWords {
  readonly name: string;
  /** What to do when it is this. */
  readonly cure: string;
}

export const CAUSE_WORDS: Readonly<Record<Cause, CauseWords>> = {
  airInLine: {
    name: 'Air in the line',
    cure: 'Bleed again, the last nipple in the order last; look for where it came in.',
  },
  airAtHighPoint: {
    name: 'Air held at a high point',
    cure: 'Turn the bars or the caliper so that a nipple is highest, or crack the banjo at the top under pressure with a rag round it.',
  },
  fluidBoiled: {
    name: 'Fluid that has boiled',
    cure: 'Change all fluid; find what made it hot or how old it was.',
  },
  hoseSwells: { name: 'A hose that swells', cure: 'Replace it; a braided one swells far less.' },
  hoseCollapsed: {
    name: 'A hose collapsed inside',
    cure: 'Replace it, and its fellow on the other side. It acts as a valve that lets pressure in and not out.',
  },
  hosePinched: {
    name: 'A hose pinched or kinked',
    cure: 'Free it, find the right route and length, replace it if the flat stays.',
  },
  seizedPiston: {
    name: 'A seized piston',
    cure: 'Overhaul or replace the caliper; look at its pads and disc.',
  },
  seizedSlider: { name: 'Seized slide pins', cure: 'Clean, grease with what the maker names, new boots.' },
  relievingPortShut: {
    name: 'The master’s relieving port is shut',
    cure: 'Free play of lever or pedal first, then a swollen seal or a blocked port in the master.',
  },
  masterSealPasses: {
    name: 'The master’s seal lets fluid past',
    cure: 'Overhaul or replace the master cylinder.',
  },
  padsWorn: { name: 'Worn pads or shoes', cure: 'Replace them axle by axle; adjust drums.' },
  padsWet: {
    name: 'Fluid, oil or grease on the pads',
    cure: 'Replace the pads, clean the disc, find where it comes from.',
  },
  padKnockBack: {
    name: 'Pads knocked back',
    cure: 'Disc runout, wheel bearing or a bent disc: measure runout before anything hydraulic is opened.',
  },
  boosterFailed: {
    name: 'The booster gives no help',
    cure: 'Vacuum hose and check valve first; an electric one belongs to its diagnostic tool.',
  },
  jointLeaks: {
    name: 'A joint leaks',
    cure: 'Fresh washers, clean faces, torque to the maker’s figure; never tighten a wet joint further than that.',
  },
  hoseLeaks: { name: 'A hose leaks', cure: 'Replace it before the vehicle moves.' },
};

interface CheckWords {
  readonly name: string;
  readonly how: string;
  readonly outcomes: Readonly<Record<string, string>>;
}

export const CHECK_WORDS: Readonly<Record<CheckId, CheckWords>> = {
  wipeJoints: {
    name: 'Wipe every joint and hose dry, hold full pressure for a minute, wipe again',
    how: 'Clean white paper shows a leak that the eye does not. Eyes protected.',
    outcomes: { dry: 'all dry', wetJoint: 'a joint is wet', wetHose: 'a hose is wet' },
  },
  pumpThrice: {
    name: 'Pump three times quickly and hold',
    how: 'Feel whether the lever or pedal comes up, and whether it stays up.',
    outcomes: {
      noChange: 'no change',
      firmsAndStays: 'comes up and stays',
      firmsThenSinks: 'comes up, then goes down again',
    },
  },
  holdAMinute: {
    name: 'Hold a steady hard pull for a minute',
    how: 'Mark where the lever or pedal is at the start.',
    outcomes: { holds: 'stays where it is', sinks: 'sinks' },
  },
  twoForces: {
    name: 'Measure the travel of lever or pedal at a light and at a hard pull',
    how: 'Air has given up nine tenths of its volume by 10 bar; a hose goes on swelling.',
    outcomes: {
      firm: 'short, then firm',
      closesUp: 'long at first, then firm',
      keepsGrowing: 'keeps growing with the force',
    },
  },
  turnWheel: {
    name: 'Wheels clear of the floor: brake, let go, turn each by hand',
    how: 'Vehicle held on stands, never on a jack alone.',
    outcomes: { allFree: 'all turn freely', oneDrags: 'one drags', allDrag: 'all on this circuit drag' },
  },
  feelHoses: {
    name: 'Feel along every hose while somebody pulls hard',
    how: 'Lock to lock as well. Gloves on: broken strands cut.',
    outcomes: { still: 'all stay still', swells: 'one grows', pinched: 'one is flat or trapped' },
  },
  openNipple: {
    name: 'Open the nipple of the wheel that drags',
    how: 'Tube on it, rag round it: what was held comes out under pressure.',
    outcomes: { frees: 'the wheel frees', staysTight: 'it drags on' },
  },
  slackenAtMaster: {
    name: 'Slacken the line at the master a quarter turn',
    how: 'Rag round it, paint covered. Fresh washers when it is closed again.',
    outcomes: { frees: 'the wheels free', staysTight: 'they drag on' },
  },
  lookAtPads: {
    name: 'Look at the pads: thickness, both ends, both sides',
    how: 'Dust is not breathed and not blown.',
    outcomes: {
      sound: 'even and thick',
      worn: 'worn down',
      tapered: 'worn slantwise or on one side',
      wet: 'wet or stained',
    },
  },
  moveCaliper: {
    name: 'Push the caliper along its pins by hand',
    how: 'A fixed caliper has none: say that it slides.',
    outcomes: { slides: 'slides', sticks: 'sticks' },
  },
  pushPistons: {
    name: 'Nipple open, press the pistons back evenly',
    how: 'The nipple is open and its tube runs into a jar: dirty fluid is not pushed back into the master, nor into an ABS unit where there is one.',
    outcomes: { goBack: 'go back by hand', stick: 'one sticks' },
  },
  spinDisc: {
    name: 'Spin the disc past a fixed pointer',
    how: 'A few tenths of a millimetre knock the pads back.',
    outcomes: { true: 'runs true', wobbles: 'wobbles' },
  },
  tiltHighPoint: {
    name: 'Tilt bars or caliper so that the nipple is highest, wait, bleed',
    how: 'Quick short strokes shake bubbles up to the reservoir.',
    outcomes: { noBubbles: 'no bubbles come', bubbles: 'bubbles come' },
  },
  coolAndTry: {
    name: 'Let it go quite cold and try again',
    how: 'An hour, not ten minutes.',
    outcomes: { same: 'just the same', better: 'better when cold' },
  },
  boosterTest: {
    name: 'Engine or ignition off, pump five times, hold, switch on',
    how: 'As the vehicle maker says; an electric booster may build pressure by itself.',
    outcomes: { pedalDrops: 'the pedal gives a little', noChange: 'nothing happens' },
  },
};

export const outcomeText = (check: CheckId, outcome: CheckOutcome): string =>
  CHECK_WORDS[check].outcomes[outcome] ?? outcome;

/** How likely a cause is, in words: the figure behind it is a grade and not a count. */
export const likelihoodText = (share: number): string =>
  share >= 0.5 ? 'most likely' : share >= 0.15 ? 'well possible' : share >= 0.04 ? 'possible' : 'unlikely';
