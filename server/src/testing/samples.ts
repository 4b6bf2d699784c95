/** Bodies that several tests send, as a technician would fill them in. */
import { randomUUID } from 'node:crypto';

/** A vehicle of which nothing more is known than that it is a motorcycle. */
export const MOTORCYCLE = {
  kind: 'motorcycle',
  plate: null,
  use: 'road',
  abs: false,
  linkedBrakes: false,
  electricBooster: false,
  distance_m: null,
  makerIntervalMonths: null,
  makerIntervalDistance_m: null,
  note: '',
} as const;

/** One reading of a hose at full droop, taken with the tube. */
export const tubeReading = (hoseId: string | undefined, length_m: number, over: object = {}) => ({
  id: randomUUID(),
  hoseId,
  pose: 'fullDroop',
  length_m,
  typed: `${length_m * 1000} mm`,
  datum: { endA: 'eyeCentre', endB: 'eyeCentre' },
  aid: 'tube',
  uncertainty_m: null,
  remainingTravel_m: 0,
  wrap: null,
  tightBends: null,
  ...over,
});

/** What is signed by Brannoc Hale at 18,500 km on the day the test server's clock starts. */
export const signedService = (version: number) => ({
  version,
  serviceId: randomUUID(),
  servicedOn: '2026-11-23',
  distance_m: 18_500_000,
  distanceTyped: '18500 km',
  grade: 'DOT 4',
  batch: 'SK-2610',
  bottleOpenedOn: '2026-11-23',
  quantity_m3: 3.5e-4,
  oldColour: 'tea',
  oldWaterFraction: 0.03,
  signature: 'brannoc hale',
});
