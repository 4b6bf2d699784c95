/** Bodies that several tests send, as a technician would fill them in. */
import { randomUUID } from 'node:crypto';
import type { HardLineRequest, TemplateRequest } from '@zephyrcombe/contract';
import { demoId } from '../demo/identity.ts';
import { EXAMPLE_BUILD, exampleBanjo } from '@zephyrcombe/core';

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

/** The fluid that went into a circuit. */
export const freshFluid = (circuitId: string, over: object = {}) => ({
  id: randomUUID(),
  circuitId,
  grade: 'DOT 4',
  batch: 'SK-2610',
  bottleOpenedOn: '2026-11-23',
  quantity_m3: 3.5e-4,
  oldColour: 'tea',
  oldWaterFraction: 0.03,
  ...over,
});

/** What is signed by Brannoc Hale at 18,500 km on the day the test server's clock starts: of the beach bike's front, or of others. */
export const signedService = (
  version: number,
  circuitIds: readonly string[] = [demoId('wick/front/circuit')],
) => ({
  version,
  servicedOn: '2026-11-23',
  distance_m: 18_500_000,
  distanceTyped: '18500 km',
  services: circuitIds.map((circuitId) => freshFluid(circuitId)),
  signature: 'brannoc hale',
});

/** The two necks of a hose. */
export const TEMPLATES: TemplateRequest = {
  title: 'Front hose, left',
  paper: 'A4',
  ends: [
    { name: 'End A', end: exampleBanjo(45), build: EXAMPLE_BUILD },
    { name: 'End B', end: exampleBanjo(0), build: EXAMPLE_BUILD },
  ],
};
/** A line of three legs with two bends in planes of their own. */
export const HARD_LINE: HardLineRequest = {
  name: 'Rear line & tee',
  paper: 'A4',
  line: {
    legs_m: [0.12, 0.2, 0.08],
    legDatum: 'apex',
    bends: [
      { angle_rad: Math.PI / 2, roll_rad: 0 },
      { angle_rad: Math.PI / 3, roll_rad: Math.PI },
    ],
    radius_m: 0.015,
    endA: { flare_m: 0.00635 },
    endB: { flare_m: 0.00635 },
    unionGap_m: 0,
  },
  build: { material: 'copperNickel', formA: 'doubleFlare', formB: 'bubbleFlare' },
  outside_m: 0.00475,
  springBack: 0.03,
  grip_m: 0.05,
};
/** As a job keeps it: every figure of it was said. */
export const LINE_PATTERN = { ...HARD_LINE, assumed: [] };
