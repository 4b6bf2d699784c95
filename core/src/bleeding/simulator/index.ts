/** The simulator of bleeding. */
export type { BleedPart, BleedSystem } from './system.ts';
export { BRAKE_FLUID } from './system.ts';
export type { Bleeding } from './bleeding.ts';
export { advance, bleeding, branched, keepFrame, moveLever, openNipple, putAir } from './bleeding.ts';
export type { BleedAssumed, BleedMissing, DrawnBrake } from './fromCircuit.ts';
export { CALIPER_m3, drawnBrake, missingForBleeding } from './fromCircuit.ts';
export type { BleedPrediction } from './predict.ts';
export { predictBleeding } from './predict.ts';
export type { BleedDone } from '../estimate/hypothesis.ts';
export type { AirEstimate, BleedSeen, Stories } from '../estimate/estimate.ts';
export { deedsOf, estimateAir, storiesOf, toldOn } from '../estimate/estimate.ts';
