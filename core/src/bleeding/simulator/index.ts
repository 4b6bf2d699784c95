/** The simulator of bleeding. */
export type { BleedPart, BleedSystem } from './system.ts';
export { BRAKE_FLUID } from './system.ts';
export type { Bleeding } from './bleeding.ts';
export { advance, bleeding, branched, keepFrame, moveLever, openNipple, putAir } from './bleeding.ts';
export type { BleedAssumed, BleedMissing } from './fromCircuit.ts';
export { drawnBrake, missingForBleeding } from './fromCircuit.ts';
export type { BleedDone, BleedPrediction } from './predict.ts';
export { followBleeding, predictBleeding } from './predict.ts';
