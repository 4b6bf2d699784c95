import type { SealKind } from '@zephyrcombe/core';
import { colour } from '../design/tokens.ts';

export const JOINT_STATES = [
  'notOpened',
  'open',
  'standsOpen',
  'capped',
  'handTight',
  'torqued',
  'leakChecked',
] as const;
export type JointState = (typeof JOINT_STATES)[number];

export const JOINT_STATE_NAMES: Readonly<Record<JointState, string>> = {
  notOpened: 'not opened',
  open: 'not tightened yet',
  standsOpen: 'stands open, without a cap',
  capped: 'open, with a cap on',
  handTight: 'hand tight',
  torqued: 'torqued',
  leakChecked: 'torqued and leak-checked',
};

interface JointGlyphProps {
  readonly x: number;
  readonly y: number;
  readonly seal: SealKind;
  readonly state: JointState;
  readonly selected?: boolean;
  readonly radius?: number;
  /** What is at its port is only assumed: its outline is broken. */
  readonly isAssumed?: boolean;
}

/** Ring for a banjo, cone for a flare, square for a screwed end; its filling tells how far the joint is: a gap where it stands open, a bar where it is capped. Thin and empty: not opened. Broken: assumed. */
export function JointGlyph({
  x,
  y,
  seal,
  state,
  selected = false,
  radius = 9,
  isAssumed = false,
}: JointGlyphProps) {
  const r = radius;
  const outline = {
    banjo: circle(r),
    flare: `M${-r} ${r} L0 ${-r} L${r} ${r} Z`,
    screwed: `M${-r} ${-r} H${r} V${r} H${-r} Z`,
  }[seal];
  const inner = r * 0.58;
  const brass = colour('brass');
  return (
    <g transform={`translate(${x} ${y})`}>
      {selected ? <circle r={r + 5} fill="none" stroke={colour('action')} strokeWidth="2" /> : null}
      <path
        d={outline}
        fill={colour('sheet')}
        stroke={state === 'notOpened' ? colour('inkSoft') : brass}
        strokeWidth={state === 'notOpened' ? 1.4 : 2.4}
        {...(isAssumed ? { strokeDasharray: '3.2 2.6' } : {})}
      />
      {state === 'open' ? <circle r={inner} fill="none" stroke={brass} strokeWidth="1.2" /> : null}
      {state === 'standsOpen' ? (
        <circle
          r={inner}
          fill="none"
          stroke={colour('danger')}
          strokeWidth="1.8"
          strokeDasharray={`${inner * 1.6} ${inner * 1.54}`}
        />
      ) : null}
      {state === 'capped' ? (
        <>
          <circle r={inner} fill="none" stroke={brass} strokeWidth="1.2" />
          <path d={`M${-inner} 0 H${inner}`} stroke={brass} strokeWidth="2.6" />
        </>
      ) : null}
      {state === 'handTight' ? (
        <>
          <circle r={inner} fill="none" stroke={brass} strokeWidth="1.2" />
          <path d={`M0 ${-inner} A${inner} ${inner} 0 0 0 0 ${inner} Z`} fill={brass} />
        </>
      ) : null}
      {state === 'torqued' || state === 'leakChecked' ? <circle r={inner} fill={brass} /> : null}
      {state === 'leakChecked' ? (
        <path
          d={`M${-inner * 0.6} 0 L${-inner * 0.1} ${inner * 0.5} L${inner * 0.7} ${-inner * 0.5}`}
          fill="none"
          stroke={colour('sheet')}
          strokeWidth="1.8"
        />
      ) : null}
    </g>
  );
}

const circle = (r: number) => `M${-r} 0 A${r} ${r} 0 1 0 ${r} 0 A${r} ${r} 0 1 0 ${-r} 0 Z`;
