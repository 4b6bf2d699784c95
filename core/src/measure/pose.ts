/** The poses of a vehicle that decide a hose's length. */
export const POSES = [
  'fullDroop',
  'straightAhead',
  'leftLock',
  'rightLock',
  'fullBump',
  'crossedUp',
] as const;
export type Pose = (typeof POSES)[number];

/** What a technician lays along the route in the hose's stead. */
export const AIDS = ['tube', 'wire', 'string'] as const;
export type Aid = (typeof AIDS)[number];

/** Half-width within which a second reading with the same aid normally falls. Our estimate; the shop may change it. */
export const AID_UNCERTAINTY_m: Readonly<Record<Aid, number>> = { tube: 0.003, wire: 0.005, string: 0.004 };
