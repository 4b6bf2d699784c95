/** The job as a whole: what was approved and still stands, and what stands in the way of an action. Server and page ask the same. */
export type { Change, Fact, Facts } from './approvals/facts.ts';
export { changesBetween, digestOf, factsOf } from './approvals/facts.ts';
export { orderFacts } from './approvals/order.ts';
export { cautionDigest, unanswered } from './approvals/reasons.ts';
export { specificationFacts } from './approvals/specification.ts';
export type { Standing } from './approvals/standing.ts';
export { specificationStanding, standingOf, withStandingApprovals } from './approvals/standing.ts';
export { boughtGate, jointGate, offerUpGate } from './gates/hoses.ts';
export { eventsAt, withBleedRows } from './events/bleedRuns.ts';
export type { Obstacle } from './gates/obstacle.ts';
export { changeText, obstacleText } from './gates/obstacleText.ts';
export { alsoFed, clearGate, reservoirGuard } from './gates/reservoir.ts';
export { signGate } from './gates/sign.ts';
export type { Gate, StandingCaution } from './gates/standing.ts';
export { leftOn, standingCautions } from './gates/standing.ts';
export type { JobTally, Progress } from './stages/stages.ts';
export { isNippleClear, isTorqued, jobProgress, progressOf } from './stages/stages.ts';
