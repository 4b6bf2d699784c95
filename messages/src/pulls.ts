/** What can be seen in the pull of a torque wrench, and what to do about it. */
import type { PullFinding } from '@zephyrcombe/core';

/** Units that a wrench may speak by mistake. */
export const PULL_UNITS: Readonly<Partial<Record<PullFinding, string>>> = {
  unitPoundFeet: 'foot-pounds',
  unitPoundInches: 'inch-pounds',
};

interface FindingText {
  readonly severity: 'stop' | 'warn' | 'note';
  readonly title: string;
  readonly advice: string;
}

const otherUnit = (unit: string): FindingText => ({
  severity: 'stop',
  title: `Its figures look like ${unit}, not newton metres`,
  advice:
    'Do not tighten on: the joint may have its torque already. Set the display, then loosen, new washers, and pull again.',
});

export const PULL_FINDING_TEXTS: Readonly<Record<PullFinding, FindingText>> = {
  unitPoundFeet: otherUnit('foot-pounds'),
  unitPoundInches: otherUnit('inch-pounds'),
  notReached: {
    severity: 'warn',
    title: 'It was let go before the wrench clicked',
    advice: 'Listen again, and pull in one go until it clicks.',
  },
  overshoot: {
    severity: 'warn',
    title: 'It was pulled on after the click',
    advice:
      'What counts is the peak, not the click. Stop at the click, with the hand at the middle of the grip.',
  },
  secondPull: {
    severity: 'warn',
    title: 'It was pulled twice',
    advice:
      'A second click turns the bolt further. One click is enough; where you are not sure, loosen, fit new washers, and pull once.',
  },
  yielding: {
    severity: 'stop',
    title: 'It turned on and hardly got tighter',
    advice:
      'The bolt stretches, the thread strips, or the washers are of the wrong metal. Do not pull on: take it out and look, new bolt, new washers.',
  },
  gap: {
    severity: 'note',
    title: 'Some of the pull was not heard',
    advice: 'The peak was. Where it matters, loosen, new washers, and pull again.',
  },
};
