/** The hose laid out straight, drawn from its ends and length; lengths stand on their own dimension lines. */
import type { EndGeometry } from '@zephyrcombe/core';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { DimensionLine } from '../../drawing/DimensionLine.tsx';
import { HoseLine } from '../../drawing/HoseLine.tsx';
import { useWidth } from '../../drawing/useWidth.ts';
import { colour } from '../../design/tokens.ts';

export interface DrawnLength {
  readonly key: string;
  /** Distance of the dimension's ends from the sealing points, metres. */
  readonly insetA_m: number;
  readonly insetB_m: number;
  readonly figure: string;
  /** From where to where; left out where the drawing is narrow. */
  readonly datum: string;
  /** Rests on take-offs that nobody vouches for. */
  readonly isAssumed: boolean;
}

interface HoseDrawingProps {
  readonly length_m: number;
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
  readonly nameA: string;
  readonly nameB: string;
  /** Below the hose, nearest first. */
  readonly lengths: readonly DrawnLength[];
  /** Stands on the dimension line above the hose. */
  readonly entry: ReactNode;
}

const Place = styled.div`
  position: relative;
`;

const EntryPlace = styled.div`
  position: absolute;
  top: 0;
  left: 50%;
  transform: translateX(-50%);
  width: min(300px, 74%);
`;

const MARGIN = 34;
/** Fittings are drawn larger than the hose between them, or they could not be seen; the figures tell the truth. */
const FITTING_SCALE_px_per_m = 1150;
const HOSE_Y = 172;
const ENTRY_Y = 24;
const ROW = 34;
const NARROW = 520;

export function HoseDrawing({ length_m, endA, endB, nameA, nameB, lengths, entry }: HoseDrawingProps) {
  const [ref, width] = useWidth<HTMLDivElement>(640);
  const left = MARGIN;
  const right = width - MARGIN;
  const takeOff = (end: EndGeometry) => (end.ferruleToApex_m + end.apexToPoint_m) * FITTING_SCALE_px_per_m;
  const inset = (inset_m: number) => inset_m * FITTING_SCALE_px_per_m;
  const height = HOSE_Y + 52 + lengths.length * ROW;
  return (
    <Place ref={ref}>
      <svg
        width="100%"
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={`Hose from ${nameA} to ${nameB}`}
      >
        <DimensionLine
          x1={left}
          x2={right}
          y={ENTRY_Y}
          from1={HOSE_Y - 14}
          from2={HOSE_Y - 14}
          gap={Math.min(300, width * 0.74) + 12}
        />
        <HoseLine path={`M${left + takeOff(endA)} ${HOSE_Y} H${right - takeOff(endB)}`} selected width={4} />
        <End x={left} end={endA} direction={1} />
        <End x={right} end={endB} direction={-1} />
        <text x={left - 14} y={HOSE_Y - 22} fontSize="12.5" fill={colour('inkSoft')}>
          A: {nameA}
        </text>
        <text x={right + 14} y={HOSE_Y - 22} fontSize="12.5" textAnchor="end" fill={colour('inkSoft')}>
          B: {nameB}
        </text>
        <text x={width / 2} y={HOSE_Y - 12} fontSize="12.5" textAnchor="middle" fill={colour('inkSoft')}>
          {length_m > 0 ? '' : 'not measured yet'}
        </text>
        {lengths.map((drawn, index) => (
          <DimensionLine
            key={drawn.key}
            x1={left + inset(drawn.insetA_m)}
            x2={right - inset(drawn.insetB_m)}
            y={HOSE_Y + 40 + index * ROW}
            from1={HOSE_Y + 12}
            from2={HOSE_Y + 12}
            isAssumed={drawn.isAssumed}
            text={
              width < NARROW
                ? `${drawn.isAssumed ? '≈ ' : ''}${drawn.figure}`
                : `${drawn.figure} ${drawn.datum}${drawn.isAssumed ? ', assumed' : ''}`
            }
          />
        ))}
      </svg>
      <EntryPlace>{entry}</EntryPlace>
    </Place>
  );
}

interface EndProps {
  readonly x: number;
  readonly end: EndGeometry;
  readonly direction: 1 | -1;
}

/** Eye, neck with its bend, ferrule. */
function End({ x, end, direction }: EndProps) {
  const a = end.ferruleToApex_m * FITTING_SCALE_px_per_m * direction;
  const b = end.apexToPoint_m * FITTING_SCALE_px_per_m * direction;
  const eyeX = x;
  const apexX = x + b * Math.cos(end.neckAngle_rad);
  const eyeY = HOSE_Y + Math.abs(b) * Math.sin(end.neckAngle_rad);
  return (
    <g>
      <path
        d={`M${eyeX} ${eyeY} L${apexX} ${HOSE_Y} H${x + b + a}`}
        fill="none"
        stroke={colour('ink')}
        strokeWidth="5"
        strokeLinejoin="round"
      />
      <rect
        x={Math.min(x + b + a * 0.45, x + b + a)}
        y={HOSE_Y - 7}
        width={Math.abs(a * 0.55)}
        height="14"
        fill={colour('hairline')}
        stroke={colour('ink')}
      />
      {end.family === 'banjo' ? (
        <circle cx={eyeX} cy={eyeY} r="9" fill={colour('sheet')} stroke={colour('brass')} strokeWidth="3" />
      ) : (
        <rect
          x={eyeX - 8}
          y={eyeY - 8}
          width="16"
          height="16"
          fill={colour('sheet')}
          stroke={colour('brass')}
          strokeWidth="3"
        />
      )}
    </g>
  );
}
