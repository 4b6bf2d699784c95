/**
 * The hydraulic circuit as one line from reservoir to wheel. It is the job's navigation and its progress report:
 * touch a joint or a hose and you are there, in the stage you are in.
 */
import type { SealKind } from '@zephyrcombe/core';
import { SEAL_NAMES } from '@zephyrcombe/contract';
import { useRef } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { PHONE, colour } from '../../design/tokens.ts';
import { HoseLine } from '../HoseLine.tsx';
import type { JointState } from '../JointGlyph.tsx';
import { JOINT_STATE_NAMES, JointGlyph } from '../JointGlyph.tsx';
import { useWidth } from '../useWidth.ts';
import type { StripCircuit } from './layout.ts';
import { layoutStrip } from './layout.ts';

export interface StripHoseView {
  readonly id: string;
  readonly name: string;
  readonly lengthText: string;
}
export interface StripJointView {
  readonly id: string;
  readonly name: string;
  readonly seal: SealKind;
  readonly eyes: number;
  readonly state: JointState;
}

interface CircuitStripProps {
  readonly circuit: StripCircuit;
  readonly hoses: readonly StripHoseView[];
  readonly joints: readonly StripJointView[];
  readonly masterText: string;
  readonly fluidColour: string;
  readonly selectedHoseId: string | null;
  readonly selectedJointId: string | null;
  readonly linkTo: (target: { readonly hose?: string; readonly joint?: string }) => string;
}

const Band = styled.nav`
  background: ${colour('sheet')};
  border-bottom: 1px solid ${colour('hairline')};
  padding: 0 34px;
  ${PHONE} {
    padding: 0 16px;
  }
  a {
    outline: none;
  }
  a:focus-visible .ring {
    stroke: ${colour('action')};
    stroke-width: 3;
  }
`;

const Wide = styled.div`
  ${PHONE} {
    display: none;
  }
`;

const Narrow = styled.ol`
  display: none;
  ${PHONE} {
    display: flex;
    align-items: center;
    justify-content: space-between;
    height: 60px;
    background: linear-gradient(${colour('brass')}, ${colour('brass')}) no-repeat center / calc(100% - 40px)
      3px;
  }
  a {
    display: grid;
    place-items: center;
    width: 48px;
    height: 48px;
  }
`;

const eyesText = (joint: StripJointView) =>
  joint.seal === 'banjo' && joint.eyes > 1 ? `, ${joint.eyes} eyes` : '';
const jointLabel = (joint: StripJointView) =>
  `Joint ${joint.name}: ${SEAL_NAMES[joint.seal]}${eyesText(joint)}, ${JOINT_STATE_NAMES[joint.state]}`;

export function CircuitStrip({
  circuit,
  hoses,
  joints,
  masterText,
  fluidColour,
  selectedHoseId,
  selectedJointId,
  linkTo,
}: CircuitStripProps) {
  const [ref, width] = useWidth<HTMLDivElement>(Math.min(window.innerWidth, 1600) - 68);
  const band = useRef<HTMLElement>(null);
  const layout = layoutStrip(circuit, Math.max(width, 560));
  const jointOf = (id: string) => joints.find((joint) => joint.id === id);
  const partName = (id: string) => circuit.components.find((component) => component.id === id)?.name ?? '';
  const hasNipple = (id: string) =>
    circuit.components.some((component) => component.attachedTo === id && component.kind === 'bleedNipple');

  /** Arrow keys walk along the line in drawing order, without leaving it. */
  const walk = (event: React.KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined && event.key !== 'Home' && event.key !== 'End') return;
    const stops = [...(band.current?.querySelectorAll<HTMLElement>('a[data-stop]') ?? [])].filter(
      (stop) => stop.getClientRects().length > 0,
    );
    const at = stops.indexOf(document.activeElement as HTMLElement);
    if (at < 0) return;
    event.preventDefault();
    const target = event.key === 'Home' ? 0 : event.key === 'End' ? stops.length - 1 : at + (step ?? 0);
    stops[Math.min(stops.length - 1, Math.max(0, target))]?.focus();
  };

  const first = layout.joints[0];
  return (
    <Band ref={band} aria-label="Circuit" onKeyDown={walk} className="no-print">
      <Wide ref={ref}>
        <svg
          width="100%"
          height={layout.height}
          viewBox={`0 0 ${layout.width} ${layout.height}`}
          role="group"
          aria-label="Circuit drawing, hoses to scale"
        >
          {layout.master && first ? (
            <g transform={`translate(0 ${layout.master.y})`}>
              <line
                x1={78}
                x2={first.x}
                y1={first.y - layout.master.y}
                y2={first.y - layout.master.y}
                stroke={colour('brass')}
                strokeWidth="3"
              />
              <rect
                x="6"
                y="-37"
                width="46"
                height="27"
                fill={fluidColour}
                stroke={colour('ink')}
                strokeWidth="1.4"
              />
              <line x1="6" x2="52" y1="-29" y2="-29" stroke="#1d2a2f" strokeDasharray="3 3" />
              <rect
                x="1"
                y="-10"
                width="77"
                height="20"
                fill={colour('sheet')}
                stroke={colour('ink')}
                strokeWidth="1.4"
              />
              <path d="M20 -10 V10 M26 -10 V10" stroke={colour('ink')} />
              <text y="28" fontSize="12.5" fill={colour('inkSoft')}>
                {masterText}
              </text>
            </g>
          ) : null}
          {layout.hoses.map((hose) => {
            const view = hoses.find((candidate) => candidate.id === hose.id);
            const selected = hose.id === selectedHoseId;
            return (
              <Link
                key={hose.id}
                to={linkTo({ hose: hose.id })}
                data-stop
                aria-label={`${view?.name}, ${view?.lengthText}`}
                aria-current={selected ? 'true' : undefined}
              >
                <path
                  d={hose.path}
                  fill="none"
                  stroke="transparent"
                  strokeWidth="26"
                  className="ring"
                  strokeOpacity="0.35"
                />
                <HoseLine path={hose.path} selected={selected} />
                <rect
                  x={hose.labelX - 42}
                  y={hose.labelY - 11}
                  width="84"
                  height="22"
                  fill={colour('sheet')}
                />
                <text
                  className="figure"
                  x={hose.labelX}
                  y={hose.labelY + 5}
                  textAnchor="middle"
                  fontSize="15"
                  fontWeight={selected ? 700 : 400}
                  fill={colour('ink')}
                >
                  {view?.lengthText}
                </text>
              </Link>
            );
          })}
          {layout.parts.map((part) => (
            <g key={part.id} transform={`translate(${part.x} ${part.y})`}>
              <line x1={-13} x2={0} y1="0" y2="0" stroke={colour('ink')} strokeWidth="1.4" />
              <rect
                x="0"
                y="-12"
                width="34"
                height="24"
                fill={colour('sheet')}
                stroke={colour('ink')}
                strokeWidth="1.4"
              />
              {hasNipple(part.id) ? (
                <g stroke={colour('ink')} strokeWidth="1.2" fill={colour('sheet')}>
                  <line x1="17" x2="17" y1="-12" y2="-18" />
                  <circle cx="17" cy="-20.5" r="2.5" />
                </g>
              ) : null}
              <text x="42" y="5" fontSize="13.5" fill={colour('ink')}>
                {partName(part.id)}
              </text>
            </g>
          ))}
          {layout.joints.map((joint) => {
            const view = jointOf(joint.id);
            if (!view) return null;
            return (
              <Link
                key={joint.id}
                to={linkTo({ joint: joint.id })}
                data-stop
                aria-label={jointLabel(view)}
                aria-current={joint.id === selectedJointId ? 'true' : undefined}
              >
                <circle
                  cx={joint.x}
                  cy={joint.y}
                  r="20"
                  fill="transparent"
                  stroke="transparent"
                  className="ring"
                />
                <JointGlyph
                  x={joint.x}
                  y={joint.y}
                  seal={view.seal}
                  state={view.state}
                  selected={joint.id === selectedJointId}
                />
                {view.eyes > 1 ? (
                  <text
                    x={joint.x}
                    y={joint.y - 18}
                    textAnchor="middle"
                    fontSize="12.5"
                    fill={colour('inkSoft')}
                  >
                    {view.eyes} eyes
                  </text>
                ) : null}
              </Link>
            );
          })}
        </svg>
      </Wide>
      <Narrow>
        {layout.joints.map((joint) => {
          const view = jointOf(joint.id);
          return view ? (
            <li key={joint.id}>
              <Link
                to={linkTo({ joint: joint.id })}
                data-stop
                aria-label={jointLabel(view)}
                aria-current={joint.id === selectedJointId ? 'true' : undefined}
              >
                <svg width="36" height="36" viewBox="-18 -18 36 36" aria-hidden="true">
                  <circle r="16" fill="transparent" stroke="transparent" className="ring" />
                  <JointGlyph
                    x={0}
                    y={0}
                    seal={view.seal}
                    state={view.state}
                    selected={joint.id === selectedJointId}
                  />
                </svg>
              </Link>
            </li>
          ) : null;
        })}
      </Narrow>
    </Band>
  );
}
