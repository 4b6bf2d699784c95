/** What must be true before a vehicle leaves the bench. */
import type { Caution } from '../mistakes/caution.ts';

export const HANDOVER_CHECKS = [
  'pressureHeld',
  'levelAtMark',
  'capAndDiaphragm',
  'lockToLockAgain',
  'stopLamp',
  'warningLampOff',
  'wheelsTorqued',
  'leverBeforeMoving',
  'plugsCounted',
  'fluidCollected',
  'firstStopsTold',
] as const;
export type HandoverCheck = (typeof HANDOVER_CHECKS)[number];

/** Where no joint was touched nothing lies another way, and no opening was capped. */
const OF_JOINTS: ReadonlySet<HandoverCheck> = new Set(['lockToLockAgain', 'plugsCounted']);

/** What a job is closed with: `hasJoints` false for one that only changes the fluid. */
export const handoverChecks = ({ hasJoints }: { readonly hasJoints: boolean }): readonly HandoverCheck[] =>
  HANDOVER_CHECKS.filter((check) => hasJoints || !OF_JOINTS.has(check));

/** The cautions that open checks raise: M93 first stops, M95 stop lamp, M94 warning lamp, M79 level. The rest only stay open. */
export function judgeHandover(
  done: Readonly<Partial<Record<HandoverCheck, boolean>>>,
  { abs = false, hasJoints = true }: { readonly abs?: boolean; readonly hasJoints?: boolean } = {},
): {
  readonly open: readonly HandoverCheck[];
  readonly cautions: readonly Caution[];
} {
  const open = handoverChecks({ hasJoints }).filter((check) => done[check] !== true);
  const cautions: Caution[] = [];
  if (open.includes('stopLamp')) cautions.push({ id: 'M95', evidence: {} });
  if (open.includes('warningLampOff')) cautions.push({ id: 'M94', evidence: { abs } });
  if (open.includes('levelAtMark')) cautions.push({ id: 'M79', evidence: {} });
  if (open.includes('firstStopsTold')) cautions.push({ id: 'M93', evidence: {} });
  return { open, cautions };
}

/** M96 for the parts of the record that are still blank. */
export function judgeRecord(record: Readonly<Record<string, unknown>>): readonly Caution[] {
  const missing = Object.entries(record)
    .filter(([, value]) => value === null || value === undefined || value === '')
    .map(([field]) => field);
  return missing.length > 0 ? [{ id: 'M96', evidence: { missing } }] : [];
}
