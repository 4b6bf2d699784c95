/**
 * Rows of the mistake catalogue, played as a technician would make them: by every path the API offers to it, and with a clean
 * twin that differs in the one fact. What each call met is judged by `playRows`.
 */
import type { CautionId } from '@zephyrcombe/core';
import { APPROVALS, KNOWING } from './approvalRows.ts';
import { AS_BUILT } from './asBuiltRows.ts';
import { BLEEDING } from './bleedRows.ts';
import { FITTING } from './fitRows.ts';
import { FLUID, TIGHTENING } from './fittingRows.ts';
import { LINES, MAKING } from './makingRows.ts';
import { MEASURING, OPENING, ROUTES } from './measuringRows.ts';
import type { MistakeRow } from './play.ts';
import { SPECIFYING } from './specifyingRows.ts';

export const BEFORE_FITTING: readonly MistakeRow[] = [
  ...MEASURING,
  ...ROUTES,
  ...OPENING,
  ...SPECIFYING,
  ...MAKING,
  ...LINES,
];
export { BLEEDING, FITTING };
export const AFTER_FITTING: readonly MistakeRow[] = [
  ...TIGHTENING,
  ...FLUID,
  ...AS_BUILT,
  ...APPROVALS,
  ...KNOWING,
];
export const ROWS: readonly MistakeRow[] = [...BEFORE_FITTING, ...FITTING, ...BLEEDING, ...AFTER_FITTING];

/** Tools of the bench that no job asks: what they say is tested where they stand. */
export const ON_THE_BENCH: Readonly<Partial<Record<CautionId, string>>> = {
  M21: 'thread finder',
  M22: 'thread finder',
  M23: 'thread finder',
  M24: 'thread finder',
  M34: 'wrenches for a hexagon',
};
