/** Ways in which a real instrument, or the hand on it, lets its partner down; each is asked for by name, once per pull. */
import { toSI } from '@zephyrcombe/core';
import type { Answer } from '../instrument/serveLines.ts';
import type { CurvePlan } from './curve.ts';

export const MISBEHAVIOURS = [
  'none',
  /** The peak is never sent. */
  'silent',
  /** The line of the peak breaks off in the middle. */
  'garbled',
  /** The same peak, with the same sequence number, comes twice. */
  'twice',
  /** The connection ends in the middle of the pull. */
  'hangUp',
  /** Somebody set the display to lbf·ft: the figures in the N·m fields are foot-pound figures. */
  'poundFeet',
  /** The hand goes on after the click. */
  'overshoot',
  /** Let go after the click, and pulled to a second one. */
  'secondClick',
  /** The bolt stretches: it turns, and hardly gets tighter. */
  'yields',
] as const;
export type Misbehaviour = (typeof MISBEHAVIOURS)[number];

const POUND_FOOT_Nm = toSI(1, 'lbf_ft');

/** How the pull goes. */
export const curvePlan = (kind: Misbehaviour, click_Nm: number): CurvePlan => ({
  click_Nm,
  past_rad: kind === 'overshoot' ? 0.1 : 0,
  isTwice: kind === 'secondClick',
  yieldsFrom: kind === 'yields' ? 0.7 : null,
});

/** What its display makes of a torque. */
export const shownAs = (kind: Misbehaviour, torque_Nm: number): number =>
  kind === 'poundFeet' ? torque_Nm / POUND_FOOT_Nm : torque_Nm;

/** The lines that reach the partner instead of the honest ones; the last of these is the peak. */
export function misbehave(kind: Misbehaviour, honest: readonly string[]): Pick<Answer, 'lines' | 'hangUp'> {
  const peak = honest.at(-1) ?? '';
  const before = honest.slice(0, -1);
  switch (kind) {
    case 'silent':
      return { lines: before, hangUp: false };
    case 'garbled':
      return { lines: [...before, peak.slice(0, Math.floor(peak.length / 2))], hangUp: false };
    case 'twice':
      return { lines: [...honest, peak], hangUp: false };
    case 'hangUp':
      return { lines: honest.slice(0, Math.floor(honest.length / 2)), hangUp: true };
    default:
      return { lines: honest, hangUp: false };
  }
}
