/** A flat drawing on the screen, as it is on paper: fitted to its place, or at true size once the screen was measured. */
import type { FlatDrawing, Mark, Pen, Place } from '@zephyrcombe/core';
import styled from 'styled-components';
import { colour } from '../design/tokens.ts';

const Paper = styled.svg`
  display: block;
  background: ${colour('sheet')};
  border: 1px solid ${colour('hairline')};
  text {
    fill: ${colour('ink')};
  }
`;

const PENS: Readonly<
  Record<
    Pen,
    {
      readonly stroke: 'ink' | 'inkSoft' | 'hairline' | 'action';
      readonly width_mm: number;
      readonly dash?: string;
    }
  >
> = {
  outline: { stroke: 'ink', width_mm: 0.4 },
  hidden: { stroke: 'ink', width_mm: 0.2, dash: '1.6 0.8' },
  centre: { stroke: 'inkSoft', width_mm: 0.18, dash: '4 0.8 0.8 0.8' },
  dimension: { stroke: 'inkSoft', width_mm: 0.18 },
  cut: { stroke: 'action', width_mm: 0.3, dash: '2.4 1.2' },
  grid: { stroke: 'hairline', width_mm: 0.18 },
  solid: { stroke: 'ink', width_mm: 0 },
};
/** Height of capitals over the size of the letters. */
const CAPITALS = 0.67;

interface FlatViewProps {
  readonly drawing: FlatDrawing;
  readonly label: string;
  /** Null: as wide as its place. */
  readonly perMm_px: number | null;
}

export function FlatView({ drawing, label, perMm_px }: FlatViewProps) {
  const [width_mm, height_mm] = [drawing.width_m * 1000, drawing.height_m * 1000];
  const size =
    perMm_px === null ? { width: '100%' } : { width: width_mm * perMm_px, height: height_mm * perMm_px };
  return (
    <Paper viewBox={`0 0 ${width_mm} ${height_mm}`} role="img" aria-label={label} {...size}>
      {drawing.marks.map((mark, index) => (
        <MarkView key={index} mark={mark} height_mm={height_mm} />
      ))}
    </Paper>
  );
}

function MarkView({ mark, height_mm }: { readonly mark: Mark; readonly height_mm: number }) {
  const at = ([x, y]: Place) => `${x * 1000} ${height_mm - y * 1000}`;
  if (mark.kind === 'text')
    return (
      <text
        transform={`translate(${at(mark.at_m)}) rotate(${(-mark.turn_rad * 180) / Math.PI})`}
        textAnchor={mark.anchor}
        fontSize={(mark.height_m * 1000) / CAPITALS}
      >
        {mark.text}
      </text>
    );
  const { stroke, width_mm, dash } = PENS[mark.pen];
  const style = {
    fill: mark.pen === 'solid' ? colour('ink') : 'none',
    stroke: colour(stroke),
    strokeWidth: width_mm,
    ...(dash ? { strokeDasharray: dash } : {}),
  };
  if (mark.kind === 'path')
    return <path d={`M${mark.points_m.map(at).join('L')}${mark.closed ? 'Z' : ''}`} {...style} />;
  const { centre_m, radius_m, from_rad, to_rad } = mark;
  if (to_rad - from_rad >= 2 * Math.PI - 1e-9)
    return (
      <circle cx={centre_m[0] * 1000} cy={height_mm - centre_m[1] * 1000} r={radius_m * 1000} {...style} />
    );
  const on = (angle: number): Place => [
    centre_m[0] + radius_m * Math.cos(angle),
    centre_m[1] + radius_m * Math.sin(angle),
  ];
  const large = to_rad - from_rad > Math.PI ? 1 : 0;
  const r = radius_m * 1000;
  return <path d={`M${at(on(from_rad))}A${r} ${r} 0 ${large} 0 ${at(on(to_rad))}`} {...style} />;
}
