/** The bodies of a vehicle that parts sit on and move with. */
export const BODIES = [
  'frame',
  'handlebar',
  /** Turns with the steering; whatever hangs on it hangs from the sprung side. */
  'lowerYoke',
  'forkLower',
  'swingarm',
  'sidecarArm',
  'knuckle',
  'axle',
  /** Of an independent suspension: rises and falls by itself and does not steer. */
  'hubCarrier',
] as const;
export type Body = (typeof BODIES)[number];

/**
 * Where a part of this body usually lies above the floor, metres; our estimate, used only to find high points until the
 * part's own height is entered.
 */
export const USUAL_HEIGHT_m: Readonly<Record<Body, number>> = {
  frame: 0.65,
  handlebar: 1.0,
  lowerYoke: 0.75,
  forkLower: 0.35,
  swingarm: 0.35,
  sidecarArm: 0.3,
  knuckle: 0.3,
  axle: 0.3,
  hubCarrier: 0.3,
};
