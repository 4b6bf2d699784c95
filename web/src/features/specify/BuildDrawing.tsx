/** The hose laid out straight and to scale along its length, with what is on it; parts are moved by pointer or keys. */
import { ALONG_NAMES } from '@zephyrcombe/messages';
import type { AlongPart, EndGeometry, FreeHose, HoseBuild } from '@zephyrcombe/core';
import { kept } from '@zephyrcombe/core';
import type { KeyboardEvent, PointerEvent } from 'react';
import { useRef } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../app/SessionContext.ts';
import { colour, SIZE } from '../../design/tokens.ts';
import { DimensionLine } from '../../drawing/DimensionLine.tsx';
import { HoseLine } from '../../drawing/HoseLine.tsx';
import { useWidth } from '../../drawing/useWidth.ts';

interface BuildDrawingProps {
  readonly build: HoseBuild;
  readonly length_m: number;
  readonly endA: EndGeometry;
  readonly endB: EndGeometry;
  readonly free: FreeHose;
  readonly nameA: string;
  readonly nameB: string;
  readonly lengthText: string;
  readonly selected: string | null;
  /** Parts that cannot be where they are. */
  readonly wrong: readonly string[];
  readonly onSelect: (id: string) => void;
  /** Null while nothing may be changed. */
  readonly onMove: ((id: string, from_m: number) => void) | null;
  readonly onRemove: (id: string) => void;
}

const MARGIN = 30;
const HOSE_Y = 96;
const HEIGHT = 216;
const DIMENSION_Y = 20;
const FREE_Y = 56;
/** Below this the figures stand alone. */
const NARROW = 520;
/** What is thinner than a finger is drawn as wide as this. */
const LEAST_PX = 10;
/** Names stand in rows below, so that they do not run into one another. */
const NAME_Y = 142;
const NAME_ROW = 17;
const LETTER_PX = 7;
const STEP_m = 0.001;
const LONG_STEP_m = 0.01;

const Stop = styled.g`
  cursor: grab;
  &:focus-visible {
    outline: 3px solid ${colour('action')};
    outline-offset: 3px;
  }
`;

const Drawn = styled.svg`
  display: block;
  touch-action: pan-y;
  font-size: ${SIZE.small};
`;

export function BuildDrawing(props: BuildDrawingProps) {
  const { build, length_m, endA, endB, free, nameA, nameB, lengthText, selected, wrong } = props;
  const { onSelect, onMove, onRemove } = props;
  const write = useWriter();
  const [ref, width] = useWidth<HTMLDivElement>(640);
  const dragged = useRef<{ id: string; grip_m: number } | null>(null);
  const scale = (width - 2 * MARGIN) / length_m;
  const x = (at_m: number) => MARGIN + at_m * scale;
  const names = rowsOf(build.along, x);
  const freeText = `${write.length(free.to_m - free.from_m)} between the ferrules`;

  const place = (event: PointerEvent<SVGGElement>) => {
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect();
    return box ? (((event.clientX - box.left) / box.width) * width - MARGIN) / scale : 0;
  };
  const move = (part: AlongPart, from_m: number) =>
    onMove?.(part.id, Math.round(kept(from_m, part.length_m, free) * 1000) / 1000);
  const onKey = (event: KeyboardEvent, part: AlongPart) => {
    const by_m = event.shiftKey ? LONG_STEP_m : STEP_m;
    const to = { ArrowLeft: part.from_m - by_m, ArrowRight: part.from_m + by_m }[event.key];
    if (to !== undefined) move(part, to);
    else if (event.key === 'Delete' || event.key === 'Backspace') onRemove(part.id);
    else if (event.key === 'Enter' || event.key === ' ') onSelect(part.id);
    else return;
    event.preventDefault();
  };

  return (
    <div ref={ref}>
      <Drawn
        width="100%"
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="group"
        aria-label={`The hose from ${nameA} to ${nameB}, with what is on it`}
      >
        <DimensionLine
          x1={x(0)}
          x2={x(length_m)}
          y={DIMENSION_Y}
          from1={HOSE_Y - 16}
          from2={HOSE_Y - 16}
          text={lengthText}
        />
        <DimensionLine
          x1={x(free.from_m)}
          x2={x(free.to_m)}
          y={FREE_Y}
          from1={HOSE_Y - 10}
          from2={HOSE_Y - 10}
          text={width < NARROW ? write.length(free.to_m - free.from_m) : freeText}
        />
        <text x={0} y={HEIGHT - 8} fill={colour('inkSoft')}>
          A: {nameA}
        </text>
        <text x={width} y={HEIGHT - 8} textAnchor="end" fill={colour('inkSoft')}>
          B: {nameB}
        </text>
        <HoseLine path={`M${x(free.from_m)} ${HOSE_Y} H${x(free.to_m)}`} selected width={4} />
        <End end={endA} at={x(0)} toward={1} scale={scale} />
        <End end={endB} at={x(length_m)} toward={-1} scale={scale} />
        {build.along.map((part) => {
          const name = ALONG_NAMES[part.kind];
          const isChosen = part.id === selected;
          const middle = x(part.from_m + part.length_m / 2);
          const row = names.get(part.id) ?? 0;
          return (
            <Stop
              key={part.id}
              role="slider"
              tabIndex={0}
              aria-label={part.note ? `${name}, ${part.note}` : name}
              aria-valuemin={Math.round(free.from_m * 1000)}
              aria-valuemax={Math.round(free.to_m * 1000)}
              aria-valuenow={Math.round(part.from_m * 1000)}
              aria-valuetext={`${write.length(part.from_m)} from end A`}
              aria-disabled={onMove === null}
              data-part={part.kind}
              onFocus={() => onSelect(part.id)}
              onKeyDown={(event) => onKey(event, part)}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                dragged.current = { id: part.id, grip_m: place(event) - part.from_m };
              }}
              onPointerMove={(event) => {
                if (dragged.current?.id === part.id) move(part, place(event) - dragged.current.grip_m);
              }}
              onPointerUp={() => {
                dragged.current = null;
              }}
              onPointerCancel={() => {
                dragged.current = null;
              }}
            >
              <Glyph part={part} from={x(part.from_m)} to={x(part.from_m + part.length_m)} />
              <line
                x1={middle}
                x2={middle}
                y1={HOSE_Y + 14}
                y2={NAME_Y - 12 + row * NAME_ROW}
                stroke={colour(isChosen ? 'action' : 'hairline')}
              />
              <text
                x={middle}
                y={NAME_Y + row * NAME_ROW}
                textAnchor="middle"
                fill={colour(wrong.includes(part.id) ? 'danger' : isChosen ? 'action' : 'inkSoft')}
                fontWeight={isChosen ? 700 : 400}
              >
                {wrong.includes(part.id) ? `${name} ✕` : name}
              </text>
            </Stop>
          );
        })}
      </Drawn>
    </div>
  );
}

/** In which row each name stands: the first in which it does not touch the one before it. */
function rowsOf(along: readonly AlongPart[], x: (at_m: number) => number): ReadonlyMap<string, number> {
  const ends = [-Infinity, -Infinity, -Infinity];
  const rows = new Map<string, number>();
  for (const part of along.toSorted((a, b) => a.from_m + a.length_m / 2 - b.from_m - b.length_m / 2)) {
    const half = (ALONG_NAMES[part.kind].length * LETTER_PX) / 2 + 4;
    const middle = x(part.from_m + part.length_m / 2);
    const free = ends.findIndex((end) => middle - half > end);
    const row = free < 0 ? ends.indexOf(Math.min(...ends)) : free;
    ends[row] = middle + half;
    rows.set(part.id, row);
  }
  return rows;
}

interface GlyphProps {
  readonly part: AlongPart;
  readonly from: number;
  readonly to: number;
}

/** Each kind by its own shape: a ring that grips, a bar that does not bend, a coil, a band, a flag with lines of writing. */
function Glyph({ part: { kind, outside_m }, from, to }: GlyphProps) {
  const middle = (from + to) / 2;
  const wide = Math.max(LEAST_PX, to - from);
  const left = middle - wide / 2;
  const ink = { stroke: colour('ink'), strokeWidth: 1.2 };
  switch (kind) {
    case 'clip':
      return (
        <g>
          {outside_m === null ? null : (
            <rect x={middle - 9} y={HOSE_Y - 8} width={18} height={16} fill={colour('hairline')} {...ink} />
          )}
          <rect x={middle - 4} y={HOSE_Y - 13} width={8} height={26} fill={colour('sheet')} {...ink} />
          <path d={`M${middle} ${HOSE_Y - 13} v-8 h8`} fill="none" {...ink} />
        </g>
      );
    case 'stiffener':
      return <rect x={left} y={HOSE_Y - 7} width={wide} height={14} fill={colour('ink')} />;
    case 'sleeve':
      return (
        <g fill="none" {...ink}>
          <rect x={left} y={HOSE_Y - 10} width={wide} height={20} fill={colour('sheet')} fillOpacity="0.6" />
          <path
            d={Array.from(
              { length: Math.max(1, Math.floor(wide / 8)) },
              (_none, turn) => `M${left + turn * 8} ${HOSE_Y + 10} l8 -20`,
            ).join(' ')}
          />
        </g>
      );
    case 'sheath':
      return (
        <rect x={left} y={HOSE_Y - 9} width={wide} height={18} rx="8" fill={colour('inkSoft')} {...ink} />
      );
    case 'label':
      return (
        <g {...ink}>
          <rect x={left} y={HOSE_Y - 8} width={wide} height={16} fill={colour('sheet')} />
          <path
            d={`M${left + 3} ${HOSE_Y - 3} H${left + wide - 3} M${left + 3} ${HOSE_Y + 2} H${left + wide - 3}`}
          />
        </g>
      );
  }
}

interface EndProps {
  readonly end: EndGeometry;
  readonly at: number;
  readonly toward: 1 | -1;
  readonly scale: number;
}

/** Eye or thread, neck with its bend, ferrule: as long as they are, at the scale of the hose. */
function End({ end, at, toward, scale }: EndProps) {
  const [neck, ferrule] = [end.apexToPoint_m * scale, end.ferruleToApex_m * scale];
  const apex = at + toward * neck;
  const eyeX = apex - toward * neck * Math.cos(end.neckAngle_rad);
  const eyeY = HOSE_Y + neck * Math.sin(end.neckAngle_rad);
  const behind = apex + toward * ferrule;
  return (
    <g>
      <path
        d={`M${eyeX} ${eyeY} L${apex} ${HOSE_Y} H${behind}`}
        fill="none"
        stroke={colour('ink')}
        strokeWidth="4"
        strokeLinejoin="round"
      />
      <rect
        x={Math.min(behind, behind - toward * ferrule * 0.6)}
        y={HOSE_Y - 7}
        width={Math.max(2, ferrule * 0.6)}
        height="14"
        fill={colour('hairline')}
        stroke={colour('ink')}
      />
      {end.family === 'banjo' ? (
        <circle cx={eyeX} cy={eyeY} r="8" fill={colour('sheet')} stroke={colour('brass')} strokeWidth="3" />
      ) : (
        <rect
          x={eyeX - 7}
          y={eyeY - 7}
          width="14"
          height="14"
          fill={colour('sheet')}
          stroke={colour('brass')}
          strokeWidth="3"
        />
      )}
    </g>
  );
}
