/** The plan of fitting: from a scope to a complete order of taking off and putting on. */
export type { Because, Drafted, FitPlanDocument, Infeasible, PlannedStep } from './plan.ts';
export { drafted, FIT_PLAN_FORMAT, FIT_PLAN_SCHEMA_VERSION, planFrom, planOf } from './plan.ts';
export { capsBySize, jointOfOpening } from './caps.ts';
export type { LoggedStep } from './logged.ts';
export { stepDurations } from './logged.ts';
export type { LearntTime, StepTime, TotalTime } from './estimate.ts';
export { learntTime, SOAK_s, totalTime, USUAL_TIME_s } from './estimate.ts';
export type { FitStepJudged } from './fitStepCautions.ts';
export type { Cleaner, FitPractice } from './practice.ts';
export { CLEANERS, judgePractice } from './practice.ts';
export { judgeFitStep } from './fitStepCautions.ts';
export type { PassedOver, StepVerdict, Wait } from './judgeStep.ts';
export { judgeStep } from './judgeStep.ts';
export type { RuleId, RuleKind } from './rules.ts';
export { RULES } from './rules.ts';
export type {
  Driver,
  HoldKind,
  Kept,
  PlanChoices,
  PlanCircuit,
  PlanComponent,
  PlanCover,
  PlanDemand,
  PlanHold,
  PlanJoint,
  PlanLead,
  PlanLine,
  PlanLineEnd,
  PlanReservoir,
  PlanScope,
  SeizedWay,
  VehicleCorner,
} from './scope.ts';
export { CORNERS, DRIVERS, HOLD_KINDS, KEPT_WAYS, LINE_ACTIONS, SEIZED_WAYS } from './scope.ts';
export type { JointPhase, PlanState } from './state.ts';
export { bodyOn, stateAfter } from './state.ts';
export type { PlanStep, StepKind, StepPattern } from './steps.ts';
export { JOINED_BY, OPENED_BY, plainStep, portOpening, stepKey } from './steps.ts';
