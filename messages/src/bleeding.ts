/** Ways of bleeding in words: what is done, what is to be seen, where a way fails. Common practice, no published source. */
import type { BleedMethod, Ignition, LeverRelease, Lid, NippleFreed, WetPads } from '@zephyrcombe/core';

export const BLEED_METHOD_NAMES: Readonly<Record<BleedMethod, string>> = {
  pump: 'pump and hold, alone',
  twoPeople: 'pump and hold, two people',
  vacuum: 'suction at the nipple',
  pressure: 'pressure at the reservoir',
  gravity: 'gravity alone',
  reverse: 'syringe from below',
  oneWay: 'one-way nipple or valve',
};

/** Where it fails, in one sentence. */
export const METHOD_LIMITS: Readonly<Record<BleedMethod, string>> = {
  pump: 'A long line of a wide bore may let a bubble climb back between strokes: whole strokes, no pauses.',
  twoPeople: 'Whoever holds must not let go on “open”: one calls, the other answers.',
  vacuum:
    'Air comes past the nipple’s thread and looks like air from the line: bubbles that go on with the nipple shut are none.',
  pressure:
    'A small reservoir is empty in seconds, and a cap that leaks lets go of fluid over paint: one bar is enough.',
  gravity: 'A high loop of air stops it: nothing flows until a light pull moves it.',
  reverse:
    'The reservoir fills from below and runs over: suck it down first. It stirs up what lies in the caliper.',
  oneWay: 'A valve that leaks draws air back at each stroke: finish by closing the nipple.',
};

/** What is done at one nipple, in order, each with what is to be seen. */
export function methodScript(method: BleedMethod, control: string): readonly string[] {
  switch (method) {
    case 'pump':
      return [
        `Hose on the nipple, its end under fluid. Pump the ${control} until it stiffens, and hold it.`,
        `Open the nipple a quarter turn: the ${control} goes down, fluid or bubbles come.`,
        `Close the nipple while the ${control} is still held; only then let go.`,
        'Again, until several strokes come clear. Look at the reservoir every few strokes.',
      ];
    case 'twoPeople':
      return [
        `One at the ${control}, one at the nipple. “Hold”: it is pressed, and stays pressed.`,
        `“Open”: a quarter turn. The ${control} sinks; whoever presses says “down”.`,
        '“Closed”: the nipple is shut. Only on “closed” the answer is “up”.',
        'Again, until several strokes come clear. Whoever is at the nipple looks, the other one tops up.',
      ];
    case 'vacuum':
      return [
        'Grease on the thread of the nipple, never on its seat. Suction on, then a quarter turn open.',
        'Draw until it comes clear. Bubbles of one size that never end come past the thread.',
        'Close the nipple first; take the suction off after that.',
        `A few strokes at the ${control} to finish, the nipple closed before it comes back.`,
      ];
    case 'pressure':
      return [
        'Adapter on the reservoir, lines lying free. About one bar, no more; look for drops round the adapter.',
        'Open the nipple a quarter turn and let it run until it comes clear.',
        'Close it. Look at the level, or at what is left in the bottle, before the next one.',
        'Let the pressure off before the adapter comes off, with a rag round it.',
      ];
    case 'gravity':
      return [
        'Reservoir full, lid laid on. Hose on the nipple, its end under fluid and below the caliper.',
        'Open the nipple and wait: drops, then a thread of fluid. Nothing at all: a lock of air stands in a high loop.',
        `A light pull at the ${control}, the nipple closed before it comes back, moves it.`,
        'Close it when it has come clear for a while. Look at the level every few minutes.',
      ];
    case 'reverse':
      return [
        'Suck the reservoir down to its minimum. Syringe filled, its hose without a bubble, on the nipple.',
        'Open the nipple, press slowly: bubbles rise in the reservoir. Look at its level all the while.',
        'Close the nipple before the syringe comes off.',
        `Level at the mark. Finish with a few strokes at the ${control} the usual way.`,
      ];
    case 'oneWay':
      return [
        'Valve on, or its nipple in; hose end under fluid. Open it as far as its sheet says.',
        `Whole strokes at the ${control}, slowly back. Nothing may come back up the hose.`,
        `Last stroke: close the nipple while the ${control} is held.`,
      ];
  }
}

export const LID_NAMES: Readonly<Record<Lid, string>> = {
  off: 'off',
  loose: 'laid on loosely',
  closed: 'closed',
};
export const RELEASE_NAMES: Readonly<Record<LeverRelease, string>> = {
  slow: 'slowly back',
  quick: 'quick releases, to shake bubbles up',
};
export const IGNITION_NAMES: Readonly<Record<Ignition, string>> = { on: 'on', off: 'off' };
export const WET_PADS_NAMES: Readonly<Record<WetPads, string>> = {
  wet: 'fluid got onto them',
  cleaned: 'cleaned, and on again',
  renewed: 'replaced',
};
export const NIPPLE_FREED_NAMES: Readonly<Record<NippleFreed, string>> = {
  soaked: 'soaked and tapped',
  warmed: 'warmed, drained',
  forced: 'by force',
};
