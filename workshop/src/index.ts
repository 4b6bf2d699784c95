/** The job as a whole: what was approved and still stands, and what stands in the way of an action. Server and page ask the same. */
export type { Change, Fact, Facts } from './approvals/facts.ts';
export { changesBetween, digestOf, factsOf } from './approvals/facts.ts';
export { boxFacts, boxStanding } from './approvals/box.ts';
export { orderFacts } from './approvals/order.ts';
export { keptRoutes } from './approvals/route.ts';
export { cautionDigest, unanswered, withoutReason } from './approvals/reasons.ts';
export { signatureFacts } from './approvals/signature.ts';
export { proofFacts, proofStanding } from './approvals/proof.ts';
export { specificationFacts } from './approvals/specification.ts';
export type { Standing } from './approvals/standingOf.ts';
export { standingOf } from './approvals/standingOf.ts';
export { fittedFacts, isOfferedUp, offeredFacts, torqueStanding } from './approvals/fitted.ts';
export { lengthFacts, lengthStanding } from './approvals/length.ts';
export { isLineMade, lineFacts, lineStanding } from './approvals/line.ts';
export { specificationStanding, withStandingApprovals } from './approvals/standing.ts';
export { boughtGate, jointGate, offerUpGate } from './gates/hoses.ts';
export { lineMadeGate } from './gates/lines.ts';
export { eventsAt, withBleedRows } from './events/bleedRuns.ts';
export type { Obstacle } from './gates/obstacle.ts';
export type { ReadPull } from './gates/feel.ts';
export { airByPulls, expectedFor, feelCautions, isBeforeWork, readPulls } from './gates/feel.ts';
export { holdOf, isHeldBefore } from './gates/hold.ts';
export { bubbleCautions } from './gates/outflow.ts';
export { airWentIn, drewBackCautions } from './gates/airWentIn.ts';
export {
  absCautionsOf,
  bleedCautions,
  nipplesInOrder,
  nippleWayCautions,
  orderCautions,
  padCautions,
  wayCautions,
} from './gates/bleedWay.ts';
export { clearGate } from './gates/clear.ts';
export { alsoFed, caughtGuard, reservoirGuard, strokeGate } from './gates/reservoir.ts';
export { isLeftTooFar, leftOpenAfter, leftOpenBeside, leftOpenBy, openElsewhere } from './gates/leftOpen.ts';
export { signGate } from './gates/sign.ts';
export { circuitWithLengths, lengthOf } from './fitting/circuitWithLengths.ts';
export { factOf, factsOfKind } from './fitting/facts.ts';
export type { FitPlan, NameOf } from './fitting/fitPlanOf.ts';
export { fitNames, fitPlanOf } from './fitting/fitPlanOf.ts';
export type { FitStepGate } from './fitting/gate.ts';
export {
  fitStepGate,
  isGoingBack,
  isRecordedElsewhere,
  passedGate,
  retightenGate,
  tightenGate,
} from './fitting/gate.ts';
export type { NamedStep } from './fitting/namedStep.ts';
export { idsIn, named, patternOf } from './fitting/namedStep.ts';
export { assumedHolds, holdsOf } from './fitting/holds.ts';
export type { FitTools } from './fitting/tools.ts';
export { fitTimes, fitTools } from './fitting/tools.ts';
export { absCautions, mayBeWithoutAbs, nippleCautions, screwCautions } from './gates/asBuilt.ts';
export type { Gate, StandingCaution } from './gates/standing.ts';
export { leftOn, signCautions, standingCautions } from './gates/standing.ts';
export type { Progress } from './stages/stages.ts';
export type { PartsProgress, PartsStep } from './stages/partsSteps.ts';
export { nextPartsStep, partsSteps } from './stages/partsSteps.ts';
export { isOffered, renewedIn } from './stages/renewed.ts';
export { openChecks, openChecksText } from './stages/openChecks.ts';
export { isDry, isNippleClear, isTooFar, isTorqued, jobProgress, progressOf } from './stages/stages.ts';
