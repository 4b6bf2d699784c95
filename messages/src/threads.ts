/** Words of the thread finder: tools, states, what a hand feels, and what to read next. */
import type {
  FurtherMeasurement,
  HandOutcome,
  Swap,
  ThreadCondition,
  ThreadGender,
  ThreadTool,
  ThreadUse,
} from '@zephyrcombe/core';
import { listOf } from './names.ts';
import type { Writer } from './writer.ts';

export const TOOL_NAMES: Readonly<Record<ThreadTool, string>> = {
  calliper: 'Calliper',
  flatJaws: 'Calliper, flat inside jaws',
  micrometer: 'Micrometer',
  boreGauge: 'Bore gauge',
  rule: 'Rule',
  threadComb: 'Thread comb',
};

export const CONDITION_NAMES: Readonly<Record<ThreadCondition, string>> = {
  clean: 'Clean and sharp',
  worn: 'Worn crests',
  coated: 'Painted, plated or dirty',
};

export const GENDER_NAMES: Readonly<Record<ThreadGender, string>> = {
  external: 'Bolt, nipple or tube nut',
  internal: 'Port',
};

export const OUTCOME_NAMES: Readonly<Record<HandOutcome, string>> = {
  doesNotStart: 'does not start',
  binds: 'starts, binds within a turn or two',
  goesIn: 'goes all the way in',
  goesInLoose: 'goes in, but rocks',
  dropsIn: 'drops in without threading',
};

export const USE_NAMES: Readonly<Record<ThreadUse, string>> = {
  banjoBolt: 'banjo bolts',
  tubeNut: 'tube nuts',
  bleedNipple: 'bleed nipples',
  general: 'other bolts',
};

export interface FurtherText {
  readonly ask: string;
  /** What each remaining thread would show. */
  readonly shows: readonly { readonly designation: string; readonly text: string }[];
  /** What it will leave open. */
  readonly settles: string;
}

/** The one further reading as a colleague would ask for it. */
export function furtherText({ ask, expected, wrongLeft }: FurtherMeasurement, write: Writer): FurtherText {
  const tool = ask.kind === 'handStart' ? '' : TOOL_NAMES[ask.tool].toLowerCase();
  const sentence = {
    diameter: () => `Read the diameter with a ${tool}.`,
    span: () =>
      `Measure from a crest to the ${ordinal(ask.kind === 'span' ? ask.pitches : 1)} next one with a ${tool}.`,
    handStart: () =>
      `Turn a clean ${ask.kind === 'handStart' ? ask.bolt : ''} bolt into the port by hand, no tool.`,
  }[ask.kind]();
  return {
    ask: sentence,
    shows: expected.map(({ designation, limits, outcomes }) => ({
      designation,
      text:
        limits === null
          ? listOf(outcomes.map((outcome) => OUTCOME_NAMES[outcome]))
          : Math.abs(limits.high_m - limits.low_m) < 1e-6
            ? write.fineLength(limits.low_m)
            : `${write.fineLength(limits.low_m)} to ${write.fineLength(limits.high_m)}`,
    })),
    settles:
      wrongLeft < 0.005
        ? 'That settles it.'
        : 'That narrows it down; the limits of what is left still touch.',
  };
}

/** What becomes of a bolt in a port that is not its own. */
export function swapText(swap: Swap): string {
  switch (swap.outcome) {
    case 'goesIn':
    case 'goesInLoose':
      return 'goes in by hand and holds a few crests only: it strips under torque';
    case 'binds':
      return swap.turns < 0.5
        ? 'catches in the first half turn: a wrench would cut the casting'
        : 'starts, then binds: a wrench would cut the casting';
  }
}

function ordinal(count: number): string {
  return count === 1 ? 'very' : count === 2 ? '2nd' : count === 3 ? '3rd' : `${count}th`;
}
