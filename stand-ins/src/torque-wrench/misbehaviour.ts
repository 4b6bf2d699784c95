/** Ways in which a real instrument lets its partner down; each is asked for by name, once per pull. */
import { toSI } from '@zephyrcombe/core';
import type { Answer } from '../instrument/serveLines.ts';

export const MISBEHAVIOURS = [
  'none',
  /** The peak is never sent. */
  'silent',
  /** The line breaks off in the middle. */
  'garbled',
  /** The same peak, with the same sequence number, comes twice. */
  'twice',
  /** The connection ends before the peak is sent. */
  'hangUp',
  /** Somebody set the display to lbf·ft: the figure in the N·m field is a foot-pound figure. */
  'poundFeet',
] as const;
export type Misbehaviour = (typeof MISBEHAVIOURS)[number];

const POUND_FOOT_Nm = toSI(1, 'lbf_ft');

/** The lines that reach the partner instead of the honest one. */
export function misbehave(kind: Misbehaviour, peak_Nm: number, sayPeak: (peak_Nm: number) => string): Answer {
  const honest = sayPeak(peak_Nm);
  switch (kind) {
    case 'none':
      return { lines: [honest], hangUp: false };
    case 'silent':
      return { lines: [], hangUp: false };
    case 'garbled':
      return { lines: [honest.slice(0, Math.floor(honest.length / 2))], hangUp: false };
    case 'twice':
      return { lines: [honest, honest], hangUp: false };
    case 'hangUp':
      return { lines: [], hangUp: true };
    case 'poundFeet':
      return { lines: [sayPeak(Math.round((peak_Nm / POUND_FOOT_Nm) * 10) / 10)], hangUp: false };
  }
}
