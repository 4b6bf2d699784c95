/** One view of the rig with its points numbered, and their figures typed where the lines from them end. */
import type { Corner, Vector } from '@zephyrcombe/core';
import { placementOf } from '@zephyrcombe/core';
import styled from 'styled-components';
import { colour, FONT, SIZE } from '../../../design/tokens.ts';
import { CoordinateField } from '../editor/CoordinateField.tsx';
import { outlineOf } from '../drawing/outlines.ts';
import type { Bounds } from '../drawing/projection.ts';
import { projection } from '../drawing/projection.ts';
import type { PointRow } from '../editor/sceneRows.ts';
import type { RigSketch } from './rigSketch.ts';
import { spread } from './spread.ts';

const Paper = styled.div`
  position: relative;
  svg {
    display: block;
  }
  text {
    font-size: ${SIZE.fine};
    fill: ${colour('inkSoft')};
  }
  text.number {
    font-family: ${FONT.figures};
    fill: ${colour('ink')};
    font-weight: 600;
  }
  tspan.name {
    font-family: ${FONT.words};
    font-weight: 400;
  }
  input {
    font-family: ${FONT.figures};
  }
`;

const Place = styled.div`
  position: absolute;
  display: flex;
  align-items: center;
  gap: 4px;
  b {
    font-family: ${FONT.figures};
    font-size: ${SIZE.fine};
    width: 1.2em;
    text-align: right;
  }
`;

/** A numbered field with some air. */
const FIELD_px = { width: 112, height: 46 } as const;
const LEAD_px = 26;
/** Of the view's own name, before the fields under it. */
const NAME_px = 96;
const AS_MEASURED = { across: 0, down: 0 };

interface DimensionViewProps {
  readonly view: 'side' | 'front';
  readonly corner: Corner;
  readonly sketch: RigSketch;
  readonly points: readonly PointRow[];
  readonly bounds: Bounds;
  readonly width_px: number;
  readonly perMetre_px: number;
  /** Whether there is room for names beside the numbers. */
  readonly hasNames: boolean;
  /** Whether the heights are typed here. */
  readonly hasHeights: boolean;
  readonly active: string | null;
  readonly onActive: (key: string | null) => void;
  readonly onCoordinate: (key: string, axis: 0 | 1 | 2, value_m: number) => void;
  /** Where angles and travels are measured, by the letter of their field. */
  readonly marks: readonly { readonly key: string; readonly letter: string; readonly point_m: Vector }[];
}

const VIEW_NAMES = { side: 'from the right', front: 'from the front' } as const;
const AXIS_OF = { side: 0, front: 1 } as const;
const AXIS_NAMES = { 0: 'how far forward', 1: 'how far left', 2: 'how high' } as const;

/** How high the rows of fields under a view are, with so many points and so much width. */
function rowsUnder(points: number, width_px: number): number {
  return Math.max(1, Math.ceil(points / Math.max(1, Math.floor(width_px / FIELD_px.width))));
}

export function DimensionView(props: DimensionViewProps) {
  const { view, corner, sketch, points, bounds, width_px, perMetre_px, hasHeights } = props;
  const { active, onActive, onCoordinate, marks, hasNames } = props;
  const left_px = hasHeights ? FIELD_px.width + LEAD_px : 0;
  const draw = projection(view, bounds, perMetre_px);
  const high_px = draw.height_px;
  // In the middle of what is left beside the heights.
  const shift_px = left_px + Math.max(0, (width_px - left_px - draw.width_px) / 2);
  const at = (point: Vector): readonly [number, number] => {
    const [x, y] = draw.at(point);
    return [x + shift_px, y];
  };
  const rows = rowsUnder(points.length, width_px - Math.max(left_px, NAME_px));
  const places = points.map(({ point_m }) => at(point_m));
  // Taken in turn, so that neighbours stand in different rows where there is more than one.
  const order = places
    .map((_place, index) => index)
    .sort((a, b) => (places[a]?.[0] ?? 0) - (places[b]?.[0] ?? 0));
  const rowOf = new Map(order.map((index, turn) => [index, turn % rows]));
  const acrossAt = new Map<number, number>();
  for (let row = 0; row < rows; row += 1) {
    const members = order.filter((index) => rowOf.get(index) === row);
    const spots = spread(
      members.map((index) => places[index]?.[0] ?? 0),
      FIELD_px.width,
      Math.max(left_px, NAME_px) + FIELD_px.width / 2,
      width_px - FIELD_px.width / 2,
    );
    for (const [turn, index] of members.entries()) acrossAt.set(index, spots[turn] ?? 0);
  }
  const heights = hasHeights
    ? spread(
        places.map(([, y]) => y),
        FIELD_px.height,
        FIELD_px.height / 2,
        Math.max(high_px - FIELD_px.height / 2, points.length * FIELD_px.height),
      )
    : [];
  const fieldsTop_px = Math.max(high_px, ...heights.map((y) => y + FIELD_px.height / 2)) + LEAD_px;
  const whole_px = fieldsTop_px + rows * FIELD_px.height;
  const [zero_x, zero_y] = at([0, 0, 0]);
  const tone = (key: string) => (active === key ? colour('action') : colour('hairline'));
  const path = (ends: readonly (readonly [number, number])[]) =>
    ends.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');
  return (
    <Paper style={{ width: width_px, height: whole_px }}>
      <svg width={width_px} height={whole_px} aria-hidden="true">
        <g transform={`translate(${shift_px} 0)`}>
          {corner.keepOuts.map((part) => {
            const outline = outlineOf(part.solid, placementOf(corner.rig, part.body, AS_MEASURED), draw);
            return (
              <path
                key={part.id}
                d={outline.path}
                fill={outline.thick_px === null ? colour('hairlineSoft') : 'none'}
                stroke={colour('hairlineSoft')}
                strokeWidth={outline.thick_px ?? 1}
                strokeLinecap="round"
                opacity="0.55"
              />
            );
          })}
        </g>
        {sketch.lines.map((ends, index) => (
          <path
            key={`line ${index}`}
            d={path(ends.map(at))}
            stroke={colour('ink')}
            strokeWidth="2.5"
            strokeDasharray="14 4 3 4"
          />
        ))}
        {sketch.uprights.map((ends, index) => (
          <path
            key={`upright ${index}`}
            d={path(ends.map(at))}
            stroke={colour('inkSoft')}
            strokeDasharray="5 4"
          />
        ))}
        {sketch.travels.map(([from, to], index) => {
          const [a, b] = [at(from), at(to)];
          return (
            <g key={`travel ${index}`} stroke={colour('brass')} strokeWidth="2.5" fill={colour('brass')}>
              <path d={path([a, b])} />
              <circle cx={a[0]} cy={a[1]} r={3.5} />
              <circle cx={b[0]} cy={b[1]} r={3.5} />
            </g>
          );
        })}
        <path
          d={path(points.filter(({ key }) => isOnHose(key)).map(({ point_m }) => at(point_m)))}
          fill="none"
          stroke={colour('brass')}
          strokeWidth="1.5"
          strokeDasharray="2 5"
        />
        <g stroke={colour('inkSoft')}>
          <path d={`M${zero_x - 9} ${zero_y}h18M${zero_x} ${zero_y - 9}v18`} />
          <circle cx={zero_x} cy={zero_y} r={5} fill="none" />
        </g>
        <text x={zero_x + 10} y={zero_y - 8}>
          0
        </text>
        {points.map(({ key }, index) => {
          const [x, y] = places[index] ?? [0, 0];
          const across = acrossAt.get(index) ?? x;
          const row = rowOf.get(index) ?? 0;
          const down_px = fieldsTop_px + row * FIELD_px.height;
          const height = heights[index];
          return (
            <g key={key} fill="none" stroke={tone(key)} strokeWidth={active === key ? 1.8 : 1}>
              <path
                d={path([
                  [x, y],
                  [x, high_px],
                  [across, fieldsTop_px - 4],
                  [across, down_px],
                ])}
              />
              {height === undefined ? null : (
                <path
                  d={path([
                    [x, y],
                    [left_px, y],
                    [FIELD_px.width, height],
                  ])}
                />
              )}
            </g>
          );
        })}
        {points.map(({ key, name }, index) => {
          const [x, y] = places[index] ?? [0, 0];
          const shortName = hasNames ? (name.split(',')[0] ?? name) : '';
          const isLeft = x + 34 + 6.6 * shortName.length > width_px;
          return (
            <g key={key}>
              <circle
                cx={x}
                cy={y}
                r={5}
                fill={colour('sheet')}
                stroke={active === key ? colour('action') : colour('ink')}
                strokeWidth="2"
              />
              <text
                className="number"
                x={x + (isLeft ? -9 : 9)}
                y={y - 7}
                textAnchor={isLeft ? 'end' : 'start'}
              >
                {index + 1}
                <tspan className="name"> {shortName}</tspan>
              </text>
            </g>
          );
        })}
        {marks.map(({ key, letter, point_m }) => {
          const [x, y] = at(point_m);
          return (
            <g key={key}>
              <circle
                cx={x - 20}
                cy={y - 12}
                r={10}
                fill={active === key ? colour('action') : colour('sheet')}
                stroke={colour(active === key ? 'action' : 'brass')}
              />
              <path
                d={path([
                  [x - 12, y - 7],
                  [x, y],
                ])}
                stroke={colour('brass')}
              />
              <text
                className="number"
                x={x - 20}
                y={y - 8}
                textAnchor="middle"
                style={active === key ? { fill: colour('onAction') } : {}}
              >
                {letter}
              </text>
            </g>
          );
        })}
        <text x={2} y={fieldsTop_px + 26}>
          {VIEW_NAMES[view]}
        </text>
      </svg>
      {points.map((row, index) => {
        const field = (axis: 0 | 1 | 2, left: number, top: number) => (
          <Place key={`${row.key} ${axis}`} style={{ left, top }}>
            <b aria-hidden="true">{index + 1}</b>
            <span onFocus={() => onActive(row.key)} onBlur={() => onActive(null)}>
              <CoordinateField
                label={`On the drawing: ${row.name}, ${AXIS_NAMES[axis]}`}
                kind="length"
                value={row.point_m[axis]}
                onValue={(value_m) => onCoordinate(row.key, axis, value_m)}
              />
            </span>
          </Place>
        );
        const height = heights[index];
        return (
          <div key={row.key}>
            {height === undefined ? null : field(2, 0, height - FIELD_px.height / 2 + 3)}
            {field(
              AXIS_OF[view],
              (acrossAt.get(index) ?? 0) - FIELD_px.width / 2,
              fieldsTop_px + (rowOf.get(index) ?? 0) * FIELD_px.height,
            )}
          </div>
        );
      })}
    </Paper>
  );
}

/** Ends and clips, by the keys of their rows. */
export const isOnHose = (key: string): boolean => key === 'start' || key === 'end' || key.startsWith('clip ');
