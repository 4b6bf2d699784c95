import { colour } from '../design/tokens.ts';

interface DimensionLineProps {
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  /** Where the witness lines start. */
  readonly from1?: number;
  readonly from2?: number;
  readonly text?: string;
  /** Leaves a gap of this width in the middle, for a figure or a field. */
  readonly gap?: number;
  /** Worked out from something that nobody has seen: its line is broken. */
  readonly isAssumed?: boolean;
}

const TICK = 5;

/** A dimension line with slanted ticks, its figure standing in the gap. */
export function DimensionLine({ x1, x2, y, from1, from2, text, gap, isAssumed = false }: DimensionLineProps) {
  const middle = (x1 + x2) / 2;
  const opening = gap ?? (text ? text.length * 9.2 + 18 : 0);
  const stroke = colour('inkSoft');
  const broken = isAssumed ? { strokeDasharray: '6 4' } : {};
  return (
    <g>
      {from1 === undefined ? null : (
        <line x1={x1} x2={x1} y1={from1} y2={y + 4} stroke={stroke} strokeWidth="1" opacity="0.6" />
      )}
      {from2 === undefined ? null : (
        <line x1={x2} x2={x2} y1={from2} y2={y + 4} stroke={stroke} strokeWidth="1" opacity="0.6" />
      )}
      <line
        x1={x1}
        x2={Math.max(x1, middle - opening / 2)}
        y1={y}
        y2={y}
        stroke={stroke}
        strokeWidth="1"
        {...broken}
      />
      <line
        x1={Math.min(x2, middle + opening / 2)}
        x2={x2}
        y1={y}
        y2={y}
        stroke={stroke}
        strokeWidth="1"
        {...broken}
      />
      {[x1, x2].map((x) => (
        <line
          key={x}
          x1={x - TICK}
          x2={x + TICK}
          y1={y + TICK}
          y2={y - TICK}
          stroke={colour('ink')}
          strokeWidth="1.5"
        />
      ))}
      {text ? (
        <text className="figure" x={middle} y={y + 5} textAnchor="middle" fontSize="15" fill={colour('ink')}>
          {text}
        </text>
      ) : null}
    </g>
  );
}
