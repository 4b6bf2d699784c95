/** Reference cases and the way through the core, for whoever validates it. */
export type { ReferenceCase } from './case.ts';
export { casesOf } from './case.ts';
export { OWN_CASES, PROVENANCE } from './ownCases.ts';
export type { CaseResult, GroupSummary, NoFunction } from './validate.ts';
export { hasFunction, runCase, summarise } from './validate.ts';
