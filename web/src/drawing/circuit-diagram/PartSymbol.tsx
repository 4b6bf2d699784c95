import type { ComponentKind } from '@zephyrcombe/core';
import { colour } from '../../design/tokens.ts';
import { PART_HEIGHT, PART_WIDTH } from './layout.ts';

interface PartSymbolProps {
  readonly kind: ComponentKind;
  readonly attached?: readonly ComponentKind[];
  readonly selected?: boolean;
  /** A line is being led: this part can take it. */
  readonly offered?: boolean;
}

const W = PART_WIDTH / 2;
const H = PART_HEIGHT / 2;

/** What a part is, drawn about the origin. Joints are the only round things on a circuit. */
export function PartSymbol({ kind, attached = [], selected = false, offered = false }: PartSymbolProps) {
  const stroke = selected ? colour('action') : colour('ink');
  const outline = {
    fill: colour('sheet'),
    stroke: offered ? colour('agreed') : stroke,
    strokeWidth: selected || offered ? 2.4 : 1.4,
  } as const;
  const nipples = attached.filter((other) => other === 'bleedNipple').length;
  return (
    <g>
      {attached.includes('reservoir') ? (
        <g stroke={stroke} strokeWidth="1.4">
          <rect x={-W + 4} y={-35} width="34" height="22" fill={colour('sheet')} />
          <path d={`M${-W + 4} -27 h34`} strokeDasharray="3 3" />
        </g>
      ) : null}
      {attached.includes('pressureSwitch') ? (
        <path
          d={`M${W - 8} ${-H} v-8 h-6 v-8 h12 v8 h-6`}
          fill={colour('sheet')}
          stroke={stroke}
          strokeWidth="1.3"
        />
      ) : null}
      {Array.from({ length: nipples }, (_none, index) => (
        <path
          key={index}
          d={`M${(attached.includes('reservoir') ? 21 : 0) - 10 * index} ${OUTLINE_TOP[kind]} v-7 m-3 0 h6 v-6 h-6 z`}
          fill={colour('sheet')}
          stroke={stroke}
          strokeWidth="1.3"
        />
      ))}
      <path d={OUTLINE[kind]} {...outline} />
      <path d={INSIDE[kind]} fill="none" stroke={stroke} strokeWidth="1.1" />
    </g>
  );
}

/** Where a nipple stands on it. */
const OUTLINE_TOP: Readonly<Record<ComponentKind, number>> = {
  master: -11,
  reservoir: -14,
  absUnit: -H,
  junction: -8,
  bracket: -H,
  caliper: -H,
  wheelCylinder: -9,
  bleedNipple: -9,
  pressureSwitch: -10,
};

const box = (w: number, h: number) => `M${-w} ${-h} H${w} V${h} H${-w} Z`;

const OUTLINE: Readonly<Record<ComponentKind, string>> = {
  master: box(W, 11),
  reservoir: box(20, 14),
  absUnit: box(W, H),
  // A tee: wide where the lines meet.
  junction: `M-16 -8 H16 V8 H6 V15 H-6 V8 H-16 Z`,
  bracket: `M-13 ${-H} H13 V${H} H-13 Z`,
  caliper: `M${-W + 6} ${-H} H${W - 6} V${H} H${W - 16} V2 H${-W + 16} V${H} H${-W + 6} Z`,
  wheelCylinder: box(W - 4, 9),
  bleedNipple: box(6, 9),
  pressureSwitch: `M-10 -10 H10 V4 H4 V12 H-4 V4 H-10 Z`,
};

const INSIDE: Readonly<Record<ComponentKind, string>> = {
  master: 'M-10 -11 V11 M-4 -11 V11 M-27 0 H-36',
  reservoir: 'M-20 -6 H20',
  absUnit: `M${-W} 0 H${W} M-14 ${-H} V0 M0 ${-H} V0 M14 ${-H} V0`,
  junction: '',
  bracket: `M-13 -11 H13 M-13 11 H13`,
  caliper: `M${-W + 12} -4 H${W - 12}`,
  wheelCylinder: `M-8 -9 V9 M8 -9 V9 M-23 0 H-30 M23 0 H30`,
  bleedNipple: '',
  pressureSwitch: '',
};
