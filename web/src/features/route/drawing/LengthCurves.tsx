/** Bend radius and room to spare against the length of the hose, with the window in which every pose holds. */
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import type { KeyboardEvent, PointerEvent } from 'react';
import { memo, useId } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../../app/SessionContext.ts';
import { colour, SIZE } from '../../../design/tokens.ts';
import { useWidth } from '../../../drawing/useWidth.ts';
import type { LengthPoint, RouteCurves } from '../engine/compute.ts';

const Chart = styled.svg`
  display: block;
  isolation: isolate;
  width: 100%;
  text {
    font-size: ${SIZE.fine};
    fill: ${colour('inkSoft')};
  }
  [role='slider'] {
    cursor: ew-resize;
    touch-action: none;
    outline: none;
  }
  [role='slider']:focus-visible .grip {
    stroke: ${colour('action')};
    stroke-width: 4;
  }
`;

const PLOT_px = 92;
const GAP_px = 30;
const TOP_px = 16;
const HEIGHT_px = TOP_px + 2 * PLOT_px + GAP_px + 26;
const LEFT_px = 8;
const RIGHT_px = 8;
const STEP_m = 0.001;
const LONG_STEP_m = 0.01;

interface LengthCurvesProps {
  readonly curves: RouteCurves;
  readonly length_m: number;
  /** The length that the drawing shows: on a drag the mark goes with the hose, and nothing is painted twice. */
  readonly drawn_m: number;
  readonly leastRadius_m: number;
  readonly onLength: (length_m: number) => void;
  readonly onRest: () => void;
}

export function LengthCurves(props: LengthCurvesProps) {
  const { curves, length_m, drawn_m, leastRadius_m, onLength, onRest } = props;
  const write = useWriter();
  const [ref, width_px] = useWidth<HTMLDivElement>(350);
  const { from_m, to_m } = curves;
  const x = across(curves, width_px);
  const at = x(Math.max(from_m, Math.min(to_m, drawn_m)));
  const clamp = (value_m: number) => Math.max(from_m, Math.min(to_m, Math.round(value_m * 1e4) / 1e4));

  const take = (event: PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (box) onLength(clamp(x.invert(event.clientX - box.left)));
  };
  const press = (event: KeyboardEvent) => {
    const step = event.shiftKey ? LONG_STEP_m : STEP_m;
    const next = {
      ArrowLeft: length_m - step,
      ArrowDown: length_m - step,
      ArrowRight: length_m + step,
      ArrowUp: length_m + step,
      Home: from_m,
      End: to_m,
    }[event.key];
    if (next === undefined) return;
    event.preventDefault();
    onLength(clamp(next));
  };

  return (
    <div ref={ref}>
      <Chart
        width={width_px}
        height={HEIGHT_px}
        viewBox={`0 0 ${width_px} ${HEIGHT_px}`}
        role="group"
        aria-label="Curves against length"
        data-curves={curves.points.length}
      >
        <Drawn curves={curves} leastRadius_m={leastRadius_m} width_px={width_px} />
        <g
          role="slider"
          tabIndex={0}
          aria-label="Length of the hose"
          aria-valuemin={Math.round(from_m * 1000)}
          aria-valuemax={Math.round(to_m * 1000)}
          aria-valuenow={Math.round(length_m * 1000)}
          aria-valuetext={write.length(length_m)}
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId);
            take(event);
          }}
          onPointerMove={(event) => {
            if (event.buttons > 0) take(event);
          }}
          onPointerUp={onRest}
          onBlur={onRest}
          onKeyDown={press}
        >
          <rect x={0} y={TOP_px} width={width_px} height={SECOND_px - TOP_px} fill="transparent" />
          <line
            className="grip"
            x1={at}
            x2={at}
            y1={TOP_px}
            y2={SECOND_px + 6}
            stroke={colour('action')}
            strokeWidth="2"
          />
          <path d={`M${at - 9} ${SECOND_px + 18}h18l-9 -13z`} fill={colour('action')} />
        </g>
      </Chart>
    </div>
  );
}

const FIRST_px = TOP_px + PLOT_px;
const SECOND_px = FIRST_px + GAP_px + PLOT_px;

const across = ({ from_m, to_m }: RouteCurves, width_px: number) =>
  scaleLinear([from_m, to_m], [LEFT_px, width_px - RIGHT_px]);

interface DrawnProps {
  readonly curves: RouteCurves;
  readonly leastRadius_m: number;
  readonly width_px: number;
}

/** Everything but the length itself: left as it is while that is dragged. */
const Drawn = memo(function Drawn({ curves, leastRadius_m, width_px }: DrawnProps) {
  const write = useWriter();
  const clip = useId();
  const { from_m, to_m, points, window } = curves;
  const x = across(curves, width_px);
  const bends = points.flatMap(({ radius_m }) => radius_m ?? []);
  const rooms = points.flatMap(({ spare_m }) => spare_m ?? []);
  const bend = scaleLinear([0, Math.max(2 * leastRadius_m, ...bends) * 1.08], [FIRST_px, TOP_px]);
  const room = scaleLinear(
    [Math.min(-0.01, ...rooms), Math.max(0.03, ...rooms) * 1.12],
    [SECOND_px, FIRST_px + GAP_px],
  );
  const draw = (of: (point: LengthPoint) => number | null, y: (value: number) => number) =>
    line<LengthPoint>()
      .defined((point) => of(point) !== null)
      .x((point) => x(point.length_m))
      .y((point) => y(of(point) ?? 0))(points) ?? '';
  return (
    <>
      <clipPath id={clip}>
        <rect x={LEFT_px} y={0} width={Math.max(0, width_px - LEFT_px - RIGHT_px)} height={HEIGHT_px} />
      </clipPath>
      {window ? (
        <rect
          x={x(window.short_m)}
          y={TOP_px}
          width={Math.max(1, x(window.long_m) - x(window.short_m))}
          height={SECOND_px - TOP_px}
          fill={colour('agreed')}
          fillOpacity={0.13}
        />
      ) : null}
      {[FIRST_px, SECOND_px].map((y) => (
        <line key={y} x1={LEFT_px} x2={width_px - RIGHT_px} y1={y} y2={y} stroke={colour('hairline')} />
      ))}
      <g clipPath={`url(#${clip})`}>
        <line
          x1={LEFT_px}
          x2={width_px}
          y1={bend(leastRadius_m)}
          y2={bend(leastRadius_m)}
          stroke={colour('danger')}
          strokeDasharray="4 4"
        />
        <line
          x1={LEFT_px}
          x2={width_px}
          y1={room(0)}
          y2={room(0)}
          stroke={colour('danger')}
          strokeDasharray="4 4"
        />
        <path
          d={draw((point) => point.radius_m, bend)}
          fill="none"
          stroke={colour('brass')}
          strokeWidth="2.2"
        />
        <path d={draw((point) => point.spare_m, room)} fill="none" stroke={colour('ink')} strokeWidth="1.8" />
      </g>
      <text x={LEFT_px} y={TOP_px - 4}>
        tightest bend, dashed: {write.length(leastRadius_m)}
      </text>
      <text x={LEFT_px} y={FIRST_px + GAP_px - 6}>
        room to spare, dashed: none
      </text>
      <text x={LEFT_px} y={HEIGHT_px - 6}>
        {write.length(from_m)}
      </text>
      <text x={width_px - RIGHT_px} y={HEIGHT_px - 6} textAnchor="end">
        {write.length(to_m)}
      </text>
      {window
        ? [window.short_m, window.long_m].map((edge_m) => (
            <line
              key={edge_m}
              x1={x(edge_m)}
              x2={x(edge_m)}
              y1={TOP_px}
              y2={SECOND_px}
              stroke={colour('agreed')}
              strokeWidth="1.2"
            />
          ))
        : null}
    </>
  );
});
