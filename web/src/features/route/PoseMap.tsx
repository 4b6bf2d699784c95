/** Every pose of the movement as a field of the map: how near each is to its limit, and which is looked at. */
import type { RigPose } from '@zephyrcombe/core';
import type { KeyboardEvent, PointerEvent } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../app/SessionContext.ts';
import { colour } from '../../design/tokens.ts';
import type { MapFigure } from './benchState.ts';
import { figureText, marginOf } from './margins.ts';
import type { PoseFigures } from './compute.ts';

const Map = styled.svg`
  display: block;
  isolation: isolate;
  cursor: crosshair;
  touch-action: none;
  &:focus-visible {
    outline: 3px solid ${colour('action')};
    outline-offset: 2px;
  }
`;

interface PoseMapProps {
  readonly figures: readonly PoseFigures[];
  readonly columns: number;
  readonly figure: MapFigure;
  readonly leastRadius_m: number;
  readonly pose: RigPose;
  readonly width_px: number;
  readonly height_px: number;
  /** What the pose looked at is and says, for those who cannot see it. */
  readonly said: string;
  readonly onPose: (pose: RigPose) => void;
}

/** From the easiest pose to the worst that still holds. */
const TINTS = { easy: 0.06, worst: 0.55, over: 0.6 } as const;
/** Cells this wide have room for their figure. */
const FIGURE_px = { width: 30, height: 15 } as const;

export function PoseMap({
  figures,
  columns,
  figure,
  leastRadius_m,
  pose,
  width_px,
  height_px,
  said,
  onPose,
}: PoseMapProps) {
  const write = useWriter();
  const rows = Math.max(1, Math.round(figures.length / columns));
  const [wide, high] = [width_px / columns, height_px / rows];
  const [first, last] = [figures[0]?.pose, figures.at(-1)?.pose];
  if (!first || !last) return null;
  const margins = figures.map((each) => marginOf(figure, each, leastRadius_m));
  const least = Math.min(...margins);
  const most = Math.max(...margins);
  const easing = most - Math.max(0, least) || 1;
  const spanOf = (low: number, high_: number) => (high_ === low ? 1 : high_ - low);
  const share = {
    across: columns === 1 ? 0.5 : (pose.across - first.across) / spanOf(first.across, last.across),
    down: (pose.down - first.down) / spanOf(first.down, last.down),
  };
  const x = columns === 1 ? width_px / 2 : wide / 2 + share.across * (width_px - wide);
  const y = high / 2 + share.down * (height_px - high);

  const take = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const clamp = (value: number) => Math.max(0, Math.min(1, value));
    const a = clamp((event.clientX - box.left - wide / 2) / Math.max(1, width_px - wide));
    const d = clamp((event.clientY - box.top - high / 2) / Math.max(1, height_px - high));
    onPose({
      across: columns === 1 ? 0 : first.across + a * (last.across - first.across),
      down: first.down + d * (last.down - first.down),
    });
  };
  const press = (event: KeyboardEvent) => {
    const steps = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!steps) return;
    event.preventDefault();
    onPose({
      across: pose.across + ((steps[0] ?? 0) * (last.across - first.across)) / Math.max(1, columns - 1),
      down: pose.down + ((steps[1] ?? 0) * (last.down - first.down)) / Math.max(1, rows - 1),
    });
  };

  return (
    <Map
      width={width_px}
      height={height_px}
      role="application"
      aria-label={`Pose map: ${said}`}
      aria-roledescription="pose map, arrow keys change the pose"
      tabIndex={0}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        take(event);
      }}
      onPointerMove={(event) => {
        if (event.buttons > 0) take(event);
      }}
      onKeyDown={press}
    >
      {figures.map((each, index) => {
        const margin = margins[index] ?? 0;
        const [left, top] = [(index % columns) * wide, Math.floor(index / columns) * high];
        const isOver = margin < 0;
        const tint = isOver
          ? TINTS.over
          : TINTS.easy + ((most - margin) / easing) * (TINTS.worst - TINTS.easy);
        const text = wide < FIGURE_px.width || high < FIGURE_px.height ? '' : figureText(figure, each, write);
        return (
          <g key={index}>
            <rect
              x={left}
              y={top}
              width={wide}
              height={high}
              fill={colour(isOver ? 'danger' : 'brassLight')}
              fillOpacity={tint}
              stroke={colour('hairline')}
              strokeWidth="0.6"
            />
            {text === '' || isOver ? null : (
              <text
                x={left + wide / 2}
                y={top + high / 2 + 4}
                textAnchor="middle"
                fontSize="10.5"
                fill={colour('ink')}
              >
                {text}
              </text>
            )}
            {isOver || each.snapped ? (
              <path
                d={`M${left + wide / 2 - 5} ${top + high / 2 - 5}l10 10m0 -10l-10 10`}
                stroke={colour('danger')}
                strokeWidth="2"
              />
            ) : null}
            {margin === least && !isOver ? (
              <circle
                cx={left + wide / 2}
                cy={top + high / 2}
                r={Math.min(wide, high * 1.6) / 2 - 1}
                fill="none"
                stroke={colour('ink')}
                strokeWidth="1.5"
              />
            ) : null}
          </g>
        );
      })}
      <g pointerEvents="none" stroke={colour('action')} strokeWidth="2" fill="none">
        <path d={`M${x - 11} ${y}h22M${x} ${y - 11}v22`} />
        <circle cx={x} cy={y} r={7} fill={colour('sheet')} fillOpacity={0.6} />
      </g>
    </Map>
  );
}
