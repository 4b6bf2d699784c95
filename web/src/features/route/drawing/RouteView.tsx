/** One view of the corner to scale: parts, the hose in every pose as a faint sweep, the pose looked at firm, handles. */
import type { CornerHose, KeepOut, Placement, Rig, RigPose } from '@zephyrcombe/core';
import { placementOf } from '@zephyrcombe/core';
import type { KeyboardEvent, PointerEvent } from 'react';
import { memo, useRef } from 'react';
import styled from 'styled-components';
import { colour, SIZE } from '../../../design/tokens.ts';
import type { RouteFrame, ShownPose } from '../engine/compute.ts';
import type { Handle } from './handles.ts';
import { handlesOf } from './handles.ts';
import { namePlaces } from './namePlaces.ts';
import { outlineOf } from './outlines.ts';
import type { Projection } from './projection.ts';
import { pathOf } from './projection.ts';

const VIEW_NAMES = { side: 'side, seen from the right', front: 'front', top: 'from above' } as const;

const Frame = styled.svg`
  display: block;
  isolation: isolate;
  background: ${colour('sheet')};
  outline: 1px solid ${colour('hairline')};
  outline-offset: -1px;
  text {
    font-size: ${SIZE.fine};
    fill: ${colour('inkSoft')};
    paint-order: stroke;
    stroke: ${colour('sheet')};
    stroke-width: 3px;
  }
  [data-handle] {
    cursor: grab;
    touch-action: none;
    outline: none;
  }
  [data-handle]:focus-visible .ring {
    stroke: ${colour('action')};
    stroke-width: 3;
  }
`;

interface RouteViewProps {
  readonly projection: Projection;
  readonly rig: Rig;
  readonly hose: CornerHose;
  readonly keepOuts: readonly KeepOut[];
  readonly pose: RigPose;
  readonly frame: RouteFrame | null;
  readonly shown: ShownPose | null;
  /** Of the candidate that was laid aside, in the same pose. */
  readonly asideLine: Float32Array | null;
  readonly onHose: (hose: CornerHose, field: string) => void;
  readonly onRest: () => void;
}

export function RouteView(props: RouteViewProps) {
  const { projection, rig, hose, keepOuts, pose, frame, shown, onHose, onRest } = props;
  const { view, width_px, height_px } = projection;
  return (
    <Frame
      width={width_px}
      height={height_px}
      viewBox={`0 0 ${width_px} ${height_px}`}
      role="group"
      aria-label={`View: ${VIEW_NAMES[view]}`}
    >
      <Parts projection={projection} rig={rig} keepOuts={keepOuts} pose={pose} named={view === 'side'} />
      {frame ? <Sweep projection={projection} frame={frame} /> : null}
      {props.asideLine ? (
        <path
          data-aside={view}
          d={pathOf(projection, props.asideLine)}
          fill="none"
          stroke={colour('ink')}
          strokeWidth="2"
          strokeDasharray="7 5"
        />
      ) : null}
      {shown?.line ? (
        <>
          <path
            d={pathOf(projection, shown.line)}
            fill="none"
            stroke={colour('sheet')}
            strokeWidth={hose.outside_m * projection.perMetre_px + 3}
          />
          <path
            data-hose={view}
            d={pathOf(projection, shown.line)}
            fill="none"
            stroke={colour('brass')}
            strokeWidth={Math.max(2.5, hose.outside_m * projection.perMetre_px)}
            strokeLinejoin="round"
          />
          {shown.sleeves.map(({ line, outside_m }, index) => (
            <path
              key={index}
              data-sleeve={view}
              d={pathOf(projection, line)}
              fill="none"
              stroke={colour('inkSoft')}
              strokeOpacity="0.55"
              strokeWidth={Math.max(5, outside_m * projection.perMetre_px)}
            />
          ))}
          {shown.stiff_m.map((ends, index) => (
            <polyline
              key={index}
              data-stiff={view}
              points={ends.map((point) => projection.at(point).join(',')).join(' ')}
              fill="none"
              stroke={colour('ink')}
              strokeWidth={Math.max(4.5, 1.3 * hose.outside_m * projection.perMetre_px)}
            />
          ))}
        </>
      ) : (
        <Taut {...props} />
      )}
      {shown ? <Marks projection={projection} shown={shown} /> : null}
      <text x={8} y={height_px - 8}>
        {VIEW_NAMES[view]}
      </text>
      <Handles projection={projection} rig={rig} hose={hose} pose={pose} onHose={onHose} onRest={onRest} />
    </Frame>
  );
}

const NATURE_STROKE = { hot: 'danger', moving: 'ink', still: 'inkSoft', service: 'action' } as const;

interface PartsProps {
  readonly projection: Projection;
  readonly rig: Rig;
  readonly keepOuts: readonly KeepOut[];
  readonly pose: RigPose;
  readonly named: boolean;
}

const Parts = memo(function Parts({ projection, rig, keepOuts, pose, named }: PartsProps) {
  const { width_px, height_px } = projection;
  const names = namePlaces(
    keepOuts.map(({ name, body, solid, nature }) => {
      const centre = 'centre_m' in solid ? solid.centre_m : solid.a_m;
      const [x, y] = projection.at(placementOf(rig, body, pose).point(centre));
      const isIn = x > 0 && x < width_px && y > 12 && y < height_px;
      return named && isIn ? { text: nature === 'hot' ? `${name}, hot` : name, x, y } : null;
    }),
    width_px,
    height_px,
  );
  return (
    <>
      {keepOuts.map((keepOut) => (
        <Part
          key={keepOut.id}
          projection={projection}
          keepOut={keepOut}
          placement={placementOf(rig, keepOut.body, pose)}
        />
      ))}
      {names.map((place, index) =>
        place ? (
          <text key={index} x={place.x} y={place.y} textAnchor={place.anchor}>
            {place.text}
          </text>
        ) : null,
      )}
    </>
  );
});

interface PartProps {
  readonly projection: Projection;
  readonly keepOut: KeepOut;
  readonly placement: Placement;
}

function Part({ projection, keepOut: { solid, nature }, placement }: PartProps) {
  const { path, thick_px } = outlineOf(solid, placement, projection);
  const stroke = colour(NATURE_STROKE[nature]);
  if (thick_px === null)
    return <path d={path} fill={colour('hairlineSoft')} fillOpacity={0.5} stroke={stroke} />;
  return (
    <>
      <path d={path} fill="none" stroke={stroke} strokeWidth={thick_px + 1.6} strokeLinecap="round" />
      <path
        d={path}
        fill="none"
        stroke={colour('sheet')}
        strokeWidth={thick_px - 0.6}
        strokeLinecap="round"
      />
      <path
        d={path}
        fill="none"
        stroke={colour('hairlineSoft')}
        strokeOpacity={0.5}
        strokeWidth={thick_px - 0.6}
        strokeLinecap="round"
      />
    </>
  );
}

const Sweep = memo(function Sweep({
  projection,
  frame,
}: {
  readonly projection: Projection;
  readonly frame: RouteFrame;
}) {
  const { sweep, sweepPoints } = frame;
  if (sweepPoints === 0) return null;
  let path = '';
  for (let from = 0; from < sweep.length / 3; from += sweepPoints)
    path += pathOf(projection, sweep, from, sweepPoints);
  return <path d={path} fill="none" stroke={colour('brassLight')} strokeWidth="0.8" strokeOpacity="0.55" />;
});

/** A hose that cannot reach has no shape: only that it would be pulled straight is shown. */
function Taut({ projection, rig, hose, pose }: RouteViewProps) {
  const points = [
    placementOf(rig, hose.start.body, pose).point(hose.start.port_m),
    ...hose.clips.map((clip) => placementOf(rig, clip.body, pose).point(clip.point_m)),
    placementOf(rig, hose.end.body, pose).point(hose.end.port_m),
  ].map(projection.at);
  return (
    <polyline
      points={points.map(([x, y]) => `${x},${y}`).join(' ')}
      fill="none"
      stroke={colour('danger')}
      strokeWidth="2"
      strokeDasharray="2 5"
    />
  );
}

interface MarksProps {
  readonly projection: Projection;
  readonly shown: ShownPose;
}

/** Where the hose bends hardest, and where it comes nearest to a part. */
const Marks = memo(function Marks({ projection, shown }: MarksProps) {
  let nearest: { readonly at: readonly [number, number]; readonly spare_m: number } | null = null;
  for (const gap of shown.gaps) {
    if (!gap) continue;
    const spare_m = gap.gap_m - gap.wanted_m;
    if (!nearest || spare_m < nearest.spare_m) nearest = { at: projection.at(gap.point_m), spare_m };
  }
  const tight = shown.tightest_m && projection.at(shown.tightest_m);
  return (
    <g aria-hidden="true">
      {tight ? (
        <circle
          cx={tight[0]}
          cy={tight[1]}
          r={4}
          fill={colour('sheet')}
          stroke={colour('brass')}
          strokeWidth="2"
        />
      ) : null}
      {nearest ? (
        <path
          d={`M${nearest.at[0] - 7} ${nearest.at[1]}h14M${nearest.at[0]} ${nearest.at[1] - 7}v14`}
          stroke={colour(nearest.spare_m < 0 ? 'danger' : 'ink')}
          strokeWidth={nearest.spare_m < 0 ? 2.5 : 1.2}
        />
      ) : null}
    </g>
  );
});

interface HandlesProps {
  readonly projection: Projection;
  readonly rig: Rig;
  readonly hose: CornerHose;
  readonly pose: RigPose;
  readonly onHose: (hose: CornerHose, field: string) => void;
  readonly onRest: () => void;
}

const STEP_m = 0.001;
const LONG_STEP_m = 0.01;

const Handles = memo(function Handles({ projection, rig, hose, pose, onHose, onRest }: HandlesProps) {
  const drag = useRef<{ readonly x: number; readonly y: number; readonly handle: Handle } | null>(null);
  const { view, at, back, perMetre_px } = projection;
  const field = (handle: Handle) => `${view} ${handle.id}`;

  const begin = (handle: Handle) => (event: PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, handle };
  };
  const move = (event: PointerEvent<SVGGElement>) => {
    const from = drag.current;
    if (!from) return;
    onHose(from.handle.moved(back(event.clientX - from.x, event.clientY - from.y)), field(from.handle));
  };
  const end = () => {
    if (drag.current) onRest();
    drag.current = null;
  };
  const press = (handle: Handle) => (event: KeyboardEvent) => {
    const step = (event.shiftKey ? LONG_STEP_m : STEP_m) * perMetre_px;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[
      event.key
    ];
    if (!by) return;
    event.preventDefault();
    onHose(handle.moved(back(by[0] ?? 0, by[1] ?? 0)), field(handle));
  };

  return handlesOf(rig, hose, pose).map((handle) => {
    const [x, y] = at(handle.at_m);
    const from = handle.from_m && at(handle.from_m);
    return (
      <g key={handle.id}>
        {from ? (
          <line x1={from[0]} y1={from[1]} x2={x} y2={y} stroke={colour('action')} strokeWidth="1.5" />
        ) : null}
        <g
          data-handle={`${view} ${handle.id}`}
          role="button"
          tabIndex={0}
          aria-label={`${handle.name}, ${VIEW_NAMES[view]}: drag it, or arrow keys`}
          onPointerDown={begin(handle)}
          onPointerMove={move}
          onPointerUp={end}
          onPointerCancel={end}
          onKeyDown={press(handle)}
          onBlur={onRest}
        >
          <circle cx={x} cy={y} r={handle.kind === 'tip' ? 12 : 14} fill="transparent" />
          {handle.kind === 'guide' ? (
            <circle
              className="ring"
              cx={x}
              cy={y}
              r={7}
              fill="none"
              stroke={colour('action')}
              strokeWidth="2.5"
            />
          ) : handle.kind === 'point' ? (
            <rect
              className="ring"
              x={x - 5}
              y={y - 5}
              width={10}
              height={10}
              fill={colour('sheet')}
              stroke={colour('action')}
              strokeWidth="2"
            />
          ) : (
            <circle className="ring" cx={x} cy={y} r={4} fill={colour('action')} stroke={colour('sheet')} />
          )}
        </g>
      </g>
    );
  });
});
