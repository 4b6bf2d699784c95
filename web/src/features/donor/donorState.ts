/** A hose that is offered, as it stands in the address or in a draft. */
import type { DonorEnd, EndFamily } from '@zephyrcombe/core';
import { EXAMPLE_BENDS_deg, END_FAMILIES, threadNamed } from '@zephyrcombe/core';

export interface OfferedEnd {
  readonly family: EndFamily;
  readonly angle_deg: number;
  /** Designation; empty where nobody knows. */
  readonly thread: string;
}

export interface Offer {
  /** As typed, with its unit. */
  readonly length: string;
  readonly endA: OfferedEnd;
  readonly endB: OfferedEnd;
}

const PLAIN: OfferedEnd = { family: 'banjo', angle_deg: 0, thread: '' };

export const endOf = ({ family, angle_deg, thread }: OfferedEnd): DonorEnd => ({
  family,
  neckAngle_rad: (angle_deg * Math.PI) / 180,
  thread: thread === '' ? null : thread,
});

/** "banjo~20~M10×1.0"; what does not make sense there is a straight eye. */
export function readEnd(text: string | null): OfferedEnd {
  const [family, angle, thread = ''] = (text ?? '').split('~');
  return {
    family: END_FAMILIES.find((known) => known === family) ?? PLAIN.family,
    angle_deg: EXAMPLE_BENDS_deg.find((known) => String(known) === angle) ?? 0,
    thread: threadNamed(thread)?.designation ?? '',
  };
}

export const writeEnd = ({ family, angle_deg, thread }: OfferedEnd): string =>
  `${family}~${angle_deg}~${thread}`;

/** The nearest bend on offer to an angle. */
export function nearestAngle_deg(angle_rad: number): number {
  const away = (bend_deg: number) => Math.abs(bend_deg - (angle_rad * 180) / Math.PI);
  return [...EXAMPLE_BENDS_deg].sort((a, b) => away(a) - away(b))[0] ?? 0;
}
