/** The circuit with hands on it: pointer, touch and keys. Every change is the core's; this only says which. */
import type { CircuitFault, Hydraulics } from '@zephyrcombe/core';
import {
  assumedOfJoint,
  attachPart,
  connect,
  insertJunction,
  removeComponent,
  removeLine,
  replaceLine,
} from '@zephyrcombe/core';
import { BODY_NAMES, COMPONENT_NAMES, LINE_NAMES, SEAL_NAMES } from '@zephyrcombe/messages';
import { useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { colour } from '../../design/tokens.ts';
import { LengthLabel, PartName } from '../../drawing/circuit-diagram/CircuitDiagram.tsx';
import { Run } from '../../drawing/circuit-diagram/DiagramLines.tsx';
import { inReadingOrder, layoutDiagram, nearestInDirection } from '../../drawing/circuit-diagram/layout.ts';
import { PartSymbol } from '../../drawing/circuit-diagram/PartSymbol.tsx';
import { JointGlyph } from '../../drawing/JointGlyph.tsx';
import type { EditorAction, EditorState, Selection } from './editorState.ts';
import { takesLines } from './editorState.ts';

const Board = styled.div`
  overflow: auto;
  background: ${colour('sheet')};
  border: 1px solid ${colour('hairline')};
  min-height: 300px;
  max-height: 66vh;
  svg {
    display: block;
    margin: 0 auto;
    user-select: none;
  }
  [data-stop] {
    outline: none;
    cursor: pointer;
  }
  [data-part] {
    touch-action: none;
  }
  [data-stop]:focus-visible .halo {
    stroke: ${colour('action')};
  }
`;

interface CircuitCanvasProps {
  readonly state: EditorState;
  readonly dispatch: (action: EditorAction) => void;
  readonly faults: readonly CircuitFault[];
}

/** Fingers shake: less than this is a touch and not a pull. */
const PULL_px = 8;

interface Pull {
  readonly from: string;
  readonly startX: number;
  readonly startY: number;
  readonly x: number;
  readonly y: number;
  readonly over: string | null;
  readonly pulled: boolean;
}

export function CircuitCanvas({ state, dispatch, faults }: CircuitCanvasProps) {
  const { circuit, selection, leadingFrom } = state;
  const diagram = useMemo(() => layoutDiagram(circuit), [circuit]);
  const write = useWriter();
  const svg = useRef<SVGSVGElement>(null);
  const [pull, setPull] = useState<Pull | null>(null);
  const [focused, setFocused] = useState<string | null>(null);

  const part = (id: string) => circuit.components.find((candidate) => candidate.id === id);
  const hose = (id: string) => circuit.hoses.find((candidate) => candidate.id === id);
  const stops = [
    ...diagram.parts.map(({ id, x, y }) => ({ kind: 'part' as const, id, x, y })),
    ...diagram.joints.map(({ id, x, y }) => ({ kind: 'joint' as const, id, x, y })),
    ...diagram.lines.map(({ id, labelX, labelY }) => ({ kind: 'line' as const, id, x: labelX, y: labelY })),
  ];
  // One stop of the tab key; arrows walk on from there.
  const entry = stops.find((stop) => stop.id === (focused ?? selection?.id)) ?? stops[0];
  const tabIndex = (id: string) => (entry?.id === id ? 0 : -1);
  const source = pull?.pulled ? pull.from : leadingFrom;
  const faultOf = (id: string) => faults.find((fault) => fault.ids.includes(id));

  const change = (next: Hydraulics, select?: Selection | null) =>
    dispatch({ type: 'change', circuit: next, ...(select === undefined ? {} : { select }) });
  const lead = (from: string, to: string) => {
    const made = connect(circuit, newId, from, to);
    change(made.circuit, made.lineId === null ? undefined : { kind: 'line', id: made.lineId });
  };
  const choose = (stop: Selection) => {
    if (leadingFrom !== null && stop.kind === 'part' && stop.id !== leadingFrom) lead(leadingFrom, stop.id);
    else dispatch({ type: 'select', selection: { kind: stop.kind, id: stop.id } });
  };
  const remove = (stop: Selection) => {
    if (stop.kind === 'part') change(removeComponent(circuit, stop.id), null);
    if (stop.kind === 'line') change(removeLine(circuit, stop.id), null);
  };

  /** Where a pointer is, in the drawing's own pixels. */
  const inDrawing = (event: React.PointerEvent) => {
    const matrix = svg.current?.getScreenCTM()?.inverse();
    const point = new DOMPoint(event.clientX, event.clientY);
    return matrix ? point.matrixTransform(matrix) : point;
  };
  const partUnder = (event: React.PointerEvent) =>
    document
      .elementFromPoint(event.clientX, event.clientY)
      ?.closest('[data-part]')
      ?.getAttribute('data-part') ?? null;

  const keys = (event: React.KeyboardEvent, stop: (typeof stops)[number]) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const direction = { ArrowLeft: 'left', ArrowRight: 'right', ArrowUp: 'up', ArrowDown: 'down' }[
      event.key
    ] as 'left' | 'right' | 'up' | 'down' | undefined;
    const act = (): boolean => {
      if (direction) {
        const next = nearestInDirection(stop, stops, direction);
        if (next) svg.current?.querySelector<SVGElement>(`[data-stop="${next.id}"]`)?.focus();
        return true;
      }
      const step = { PageDown: 1, PageUp: -1 }[event.key];
      if (step !== undefined || event.key === 'Home' || event.key === 'End') {
        const order = inReadingOrder(stops);
        const at = order.findIndex((other) => other.id === stop.id) + (step ?? 0);
        const target = event.key === 'Home' ? order[0] : event.key === 'End' ? order.at(-1) : order[at];
        if (target) svg.current?.querySelector<SVGElement>(`[data-stop="${target.id}"]`)?.focus();
        return true;
      }
      switch (event.key) {
        case 'Enter':
        case ' ':
          choose(stop);
          return true;
        case 'Escape':
          dispatch({ type: 'select', selection: null });
          return true;
        case 'Delete':
        case 'Backspace':
          remove(stop);
          return true;
      }
      const kind = stop.kind === 'part' ? part(stop.id)?.kind : undefined;
      switch (event.key.toLowerCase()) {
        case 'c':
          if (kind !== undefined && takesLines(kind)) dispatch({ type: 'lead', from: stop.id });
          return kind !== undefined;
        case 'n':
          if (stop.kind === 'part') change(attachPart(circuit, newId, stop.id, 'bleedNipple'), stop);
          return stop.kind === 'part';
        case 'j': {
          if (stop.kind !== 'line') return false;
          const made = insertJunction(circuit, newId, stop.id);
          change(
            made.circuit,
            made.componentId === null ? undefined : { kind: 'part', id: made.componentId },
          );
          return true;
        }
        case 'h': {
          const line = stop.kind === 'line' ? hose(stop.id) : undefined;
          if (line) change(replaceLine(circuit, line.id, line.kind === 'hose' ? 'hardLine' : 'hose'), stop);
          return line !== undefined;
        }
      }
      return false;
    };
    if (!act()) return;
    event.preventDefault();
    event.stopPropagation();
  };

  const common = (stop: (typeof stops)[number]) => ({
    'data-stop': stop.id,
    role: 'button',
    tabIndex: tabIndex(stop.id),
    'aria-pressed': selection?.id === stop.id,
    onFocus: () => setFocused(stop.id),
    onKeyDown: (event: React.KeyboardEvent) => keys(event, stop),
  });

  return (
    <Board>
      <svg
        ref={svg}
        viewBox={`0 0 ${diagram.width} ${diagram.height}`}
        width="100%"
        style={{ maxWidth: diagram.width, minWidth: Math.min(diagram.width, 0.78 * diagram.width) }}
        role="group"
        aria-label={`Drawing of the circuit ${circuit.name}. Arrow keys walk, Enter selects, C leads a hose.`}
        onPointerDown={(event) => {
          if (event.target === svg.current) dispatch({ type: 'select', selection: null });
        }}
      >
        {diagram.joints.map((joint) => (
          <path key={joint.id} d={joint.stub} stroke={colour('ink')} strokeWidth="1.4" />
        ))}
        {stops
          .filter((stop) => stop.kind === 'line')
          .map((stop) => {
            const line = diagram.lines.find((candidate) => candidate.id === stop.id);
            const its = hose(stop.id);
            if (!line || !its) return null;
            const selected = selection?.id === its.id;
            const length = write.length(its.length_m);
            const fault = faultOf(its.id);
            return (
              <g
                key={its.id}
                {...common(stop)}
                aria-label={`${LINE_NAMES[its.kind]} ${its.name}, ${its.estimated ? 'about ' : ''}${length}${fault ? ', see what is wrong' : ''}`}
                onClick={() => choose(stop)}
              >
                <path
                  d={line.path}
                  fill="none"
                  stroke="transparent"
                  strokeWidth="30"
                  className="halo"
                  strokeOpacity="0.3"
                />
                <Run kind={its.kind} path={line.path} selected={selected} />
                <LengthLabel
                  x={line.labelX}
                  y={line.labelY}
                  text={`${its.estimated ? '≈ ' : ''}${length}`}
                  bold={selected}
                />
                {fault ? <FaultMark x={line.labelX} y={line.labelY - 22} severity={fault.severity} /> : null}
              </g>
            );
          })}
        {pull?.pulled ? (
          <path
            d={`M${pull.startX} ${pull.startY} L${pull.x} ${pull.y}`}
            stroke={colour('brass')}
            strokeWidth="3"
            strokeDasharray="6 5"
          />
        ) : null}
        {stops
          .filter((stop) => stop.kind === 'part')
          .map((stop) => {
            const its = part(stop.id);
            const placed = diagram.parts.find((candidate) => candidate.id === stop.id);
            if (!its || !placed) return null;
            const selected = selection?.id === its.id;
            const fault = faultOf(its.id);
            const attached = placed.attached.flatMap((id) => part(id)?.kind ?? []);
            const nipples = attached.filter((kind) => kind === 'bleedNipple').length;
            const offered =
              source !== null &&
              source !== its.id &&
              takesLines(its.kind) &&
              (leadingFrom !== null || pull?.over === its.id);
            return (
              <g
                key={its.id}
                {...common(stop)}
                data-part={its.id}
                transform={`translate(${placed.x} ${placed.y})`}
                aria-label={`${COMPONENT_NAMES[its.kind]} ${its.name}, on the ${BODY_NAMES[its.body]}${nipples > 0 ? ', with bleed nipple' : ''}${fault ? ', see what is wrong' : ''}`}
                onPointerDown={(event) => {
                  if (event.button !== 0) return;
                  event.currentTarget.setPointerCapture(event.pointerId);
                  setPull({
                    from: its.id,
                    startX: placed.x,
                    startY: placed.y,
                    x: placed.x,
                    y: placed.y,
                    over: null,
                    pulled: false,
                  });
                }}
                onPointerMove={(event) => {
                  if (pull?.from !== its.id) return;
                  const { x, y } = inDrawing(event);
                  const far = Math.hypot(x - pull.startX, y - pull.startY) > 34 + PULL_px;
                  const over = partUnder(event);
                  setPull({
                    ...pull,
                    x,
                    y,
                    over: over === its.id ? null : over,
                    pulled: (pull.pulled || far) && takesLines(its.kind),
                  });
                }}
                onPointerUp={(event) => {
                  const target = partUnder(event);
                  if (pull?.pulled && target !== null && target !== its.id) lead(its.id, target);
                  else if (!pull?.pulled) choose(stop);
                  setPull(null);
                }}
                onPointerCancel={() => setPull(null)}
                // Pressed by a screen reader: no pointer came before it.
                onClick={(event) => (event.detail === 0 ? choose(stop) : undefined)}
              >
                <rect
                  x="-66"
                  y="-46"
                  width="132"
                  height="96"
                  fill="transparent"
                  stroke="transparent"
                  strokeWidth="2"
                  className="halo"
                />
                <PartSymbol kind={its.kind} attached={attached} selected={selected} offered={offered} />
                <PartName name={its.name} selected={selected} />
                {fault ? <FaultMark x={-40} y={-26} severity={fault.severity} /> : null}
              </g>
            );
          })}
        {stops
          .filter((stop) => stop.kind === 'joint')
          .map((stop) => {
            const placed = diagram.joints.find((candidate) => candidate.id === stop.id);
            const joint = circuit.joints.find((candidate) => candidate.id === stop.id);
            const port = circuit.ports.find((candidate) => candidate.id === joint?.portId);
            if (!placed || !joint) return null;
            return (
              <g
                key={stop.id}
                {...common(stop)}
                aria-label={`Joint ${joint.name}: ${SEAL_NAMES[joint.seal]}, ${port?.thread ?? ''}${port && assumedOfJoint(joint, port).length > 0 ? ', assumed' : ''}`}
                onClick={() => choose(stop)}
              >
                <circle
                  cx={placed.x}
                  cy={placed.y}
                  r="16"
                  fill="transparent"
                  stroke="transparent"
                  strokeWidth="3"
                  className="halo"
                />
                <JointGlyph
                  x={placed.x}
                  y={placed.y}
                  seal={joint.seal}
                  state="open"
                  radius={8}
                  isAssumed={port !== undefined && assumedOfJoint(joint, port).length > 0}
                  selected={selection?.id === stop.id}
                />
              </g>
            );
          })}
      </svg>
    </Board>
  );
}

/** Octagon or triangle at the part; the list beside says what it is. */
function FaultMark({
  x,
  y,
  severity,
}: {
  readonly x: number;
  readonly y: number;
  readonly severity: CircuitFault['severity'];
}) {
  const tone = colour(severity === 'stop' ? 'danger' : 'caution');
  return (
    <g transform={`translate(${x} ${y})`} aria-hidden="true">
      <path
        d={severity === 'stop' ? 'M-4 -9 H4 L9 -4 V4 L4 9 H-4 L-9 4 V-4 Z' : 'M0 -9 L9 8 H-9 Z'}
        fill={colour('sheet')}
        stroke={tone}
        strokeWidth="2"
      />
      <path d={severity === 'stop' ? 'M-4 0 H4' : 'M0 -3 V3 M0 5 V6.5'} stroke={tone} strokeWidth="2" />
    </g>
  );
}
