/** The plan of fitting: from a scope to a complete order of taking off and putting on. */
export type { Because, FitPlanDocument, Infeasible, PlannedStep } from './plan.ts';
export { FIT_PLAN_FORMAT, FIT_PLAN_SCHEMA_VERSION, planOf } from './plan.ts';
export type { RuleId, RuleKind } from './rules.ts';
export { RULES } from './rules.ts';
export type { PlanScope } from './scope.ts';
export { HOLD_KINDS, KEPT_WAYS, LINE_ACTIONS, SEIZED_WAYS } from './scope.ts';
export type { PlanStep } from './steps.ts';
export { JOINED_BY, OPENED_BY } from './steps.ts';
