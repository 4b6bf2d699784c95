/** The picture with the scale and the line on it: a press sets a point, points are dragged or moved by arrow keys. */
import type { Point } from '@zephyrcombe/core';
import { measureLine } from '@zephyrcombe/core';
import type { KeyboardEvent, PointerEvent } from 'react';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { ChoiceRow } from '../../design/fields.tsx';
import { colour } from '../../design/tokens.ts';
import { useWidth } from '../../drawing/useWidth.ts';
import type { Target, TraceDraft } from './traceDraft.ts';
import { movedPoint, scalePoints, withoutPoint, withPoint } from './traceDraft.ts';

export interface Picture {
  readonly url: string;
  readonly width_px: number;
  readonly height_px: number;
}

interface TracePictureProps {
  readonly picture: Picture;
  readonly draft: TraceDraft;
  readonly target: Target;
  readonly onDraft: (to: (draft: TraceDraft) => TraceDraft, field?: string) => void;
  readonly onRest: () => void;
}

const ZOOMS = ['1', '2', '4'] as const;
type Zoom = (typeof ZOOMS)[number];

const Frame = styled.div`
  overflow: auto;
  max-height: min(72vh, 720px);
  border: 1px solid ${colour('ink')};
  background: ${colour('hairlineSoft')};
  touch-action: pan-x pan-y;
  svg {
    display: block;
    cursor: crosshair;
  }
  [role='button'] {
    cursor: grab;
    touch-action: none;
  }
  [role='button']:focus-visible circle.ring {
    stroke-width: 4;
  }
`;

export function TracePicture({ picture, draft, target, onDraft, onRest }: TracePictureProps) {
  const [ref, width] = useWidth<HTMLDivElement>(640);
  const [zoom, setZoom] = useState<Zoom>('1');
  const shown_px = Math.max(240, width - 2) * Number(zoom);
  /** Screen pixels for one of the picture. */
  const scale = shown_px / picture.width_px;
  const drag = useRef<{ x: number; y: number; at: Point } | null>(null);

  const set = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    const point = { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale };
    onDraft((now) => withPoint(now, target, point));
  };
  const handle = (of: Target, index: number, at: Point) => ({
    onPointerDown: (event: PointerEvent<SVGGElement>) => {
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { x: event.clientX, y: event.clientY, at };
    },
    onPointerMove: (event: PointerEvent<SVGGElement>) => {
      const from = drag.current;
      if (!from) return;
      const to = {
        x: from.at.x + (event.clientX - from.x) / scale,
        y: from.at.y + (event.clientY - from.y) / scale,
      };
      onDraft((now) => movedPoint(now, of, index, to), `${of} ${index}`);
    },
    onPointerUp: (event: PointerEvent<SVGGElement>) => {
      // Letting a point go sets no other one under it.
      event.stopPropagation();
      drag.current = null;
      onRest();
    },
    onPointerCancel: () => {
      drag.current = null;
      onRest();
    },
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Delete' || event.key === 'Backspace') {
        event.preventDefault();
        onDraft((now) => withoutPoint(now, of, index));
        return;
      }
      const step = event.shiftKey ? 10 : 1;
      const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[
        event.key
      ];
      if (!by) return;
      event.preventDefault();
      const to = { x: at.x + (by[0] ?? 0), y: at.y + (by[1] ?? 0) };
      onDraft((now) => movedPoint(now, of, index, to), `${of} ${index}`);
    },
    onBlur: onRest,
  });

  const line = draft.points.length > 1 ? measureLine(draft.points, draft.line).line_m : [];
  const marks = scalePoints(draft);
  const closed = draft.scaleKind === 'perspective' && marks.length === 4;
  const path = (points: readonly Point[]) =>
    points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x * scale} ${y * scale}`).join('');
  return (
    <div ref={ref}>
      <Frame>
        <svg
          width={shown_px}
          height={picture.height_px * scale}
          role="application"
          aria-label="Picture to trace on: press to set a point; arrow keys move a point, Delete removes it"
          onPointerUp={set}
        >
          <image href={picture.url} width={shown_px} height={picture.height_px * scale} />
          <path
            d={path(marks) + (closed ? 'Z' : '')}
            fill="none"
            stroke={colour('action')}
            strokeWidth="2"
            strokeDasharray="8 5"
          />
          <path d={path(line)} fill="none" stroke={colour('sheet')} strokeWidth="5" />
          <path d={path(line)} fill="none" stroke={colour('brass')} strokeWidth="3" />
          {(['scale', 'line'] as const).flatMap((of) =>
            (of === 'scale' ? marks : draft.points).map((at, index) => (
              <g
                key={`${of} ${index}`}
                data-point={`${of} ${index + 1}`}
                role="button"
                tabIndex={0}
                aria-label={`${of === 'scale' ? 'Scale' : 'Line'}, point ${index + 1}`}
                {...handle(of, index, at)}
              >
                <circle cx={at.x * scale} cy={at.y * scale} r={14} fill="transparent" />
                <circle
                  className="ring"
                  cx={at.x * scale}
                  cy={at.y * scale}
                  r={6}
                  fill="none"
                  stroke={colour(of === 'scale' ? 'action' : 'brass')}
                  strokeWidth="2.5"
                />
                <circle cx={at.x * scale} cy={at.y * scale} r={1.2} fill={colour('ink')} />
              </g>
            )),
          )}
        </svg>
      </Frame>
      <ChoiceRow<Zoom>
        label="Shown"
        value={zoom}
        options={ZOOMS.map((value) => ({ value, text: value === '1' ? 'whole' : `${value} ×` }))}
        onChange={setZoom}
      />
    </div>
  );
}
