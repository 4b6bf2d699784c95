/** Every pose of the movement as a field of the map: how near each is to its limit, and which is looked at. */
import type { RigPose } from '@zephyrcombe/core';
import type { KeyboardEvent, PointerEvent } from 'react';
import { useCallback } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../../app/SessionContext.ts';
import { colour } from '../../../design/tokens.ts';
import { Painted } from '../../../drawing/Painted.tsx';
import type { MapFigure } from '../bench/benchState.ts';
import type { PoseFigures } from '../engine/compute.ts';
import { paintPoses } from './paintPoses.ts';

const Place = styled.div`
  position: relative;
  cursor: crosshair;
  touch-action: none;
  &:focus-visible {
    outline: 3px solid ${colour('action')};
    outline-offset: 2px;
  }
  svg {
    position: absolute;
    inset: 0;
    pointer-events: none;
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
  const paint = useCallback(
    (context: CanvasRenderingContext2D) =>
      paintPoses(context, { figures, columns, figure, leastRadius_m, width_px, height_px, write }),
    [figures, columns, figure, leastRadius_m, width_px, height_px, write],
  );
  const [wide, high] = [width_px / columns, height_px / rows];
  const [first, last] = [figures[0]?.pose, figures.at(-1)?.pose];
  if (!first || !last) return null;
  const spanOf = (low: number, high_: number) => (high_ === low ? 1 : high_ - low);
  const share = {
    across: columns === 1 ? 0.5 : (pose.across - first.across) / spanOf(first.across, last.across),
    down: (pose.down - first.down) / spanOf(first.down, last.down),
  };
  const x = columns === 1 ? width_px / 2 : wide / 2 + share.across * (width_px - wide);
  const y = high / 2 + share.down * (height_px - high);

  const take = (event: PointerEvent<HTMLDivElement>) => {
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
    <Place
      style={{ width: width_px, height: height_px }}
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
      <Painted width_px={width_px} height_px={height_px} paint={paint} />
      <svg width={width_px} height={height_px} stroke={colour('action')} strokeWidth="2" fill="none">
        <path d={`M${x - 11} ${y}h22M${x} ${y - 11}v22`} />
        <circle cx={x} cy={y} r={7} fill={colour('sheet')} fillOpacity={0.6} />
      </svg>
    </Place>
  );
}
