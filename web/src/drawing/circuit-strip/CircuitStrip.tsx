/**
 * The hydraulic circuit as one line from reservoir to wheel. It is the job's navigation and its progress report:
 * touch a joint or a hose and you are there, in the stage you are in.
 */
import type { SealKind } from '@zephyrcombe/core';
import { SEAL_NAMES } from '@zephyrcombe/messages';
import { useRef } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { PHONE, colour } from '../../design/tokens.ts';
import { Run } from '../circuit-diagram/DiagramLines.tsx';
import type { JointState } from '../JointGlyph.tsx';
import { JOINT_STATE_NAMES, JointGlyph } from '../JointGlyph.tsx';
import { useWidth } from '../useWidth.ts';
import type { StripCircuit } from './layout.ts';
import { layoutStrip } from './layout.ts';
import { StripLength, StripMaster, StripParts } from './StripSymbols.tsx';

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
  /** What is at its port is only assumed. */
  readonly isAssumed: boolean;
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
  `Joint ${joint.name}: ${SEAL_NAMES[joint.seal]}${eyesText(joint)}, ${JOINT_STATE_NAMES[joint.state]}${joint.isAssumed ? ', port only assumed' : ''}`;

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
          <StripMaster layout={layout} text={masterText} fluidColour={fluidColour} />
          {layout.stubs.map((stub) => (
            <path key={stub} d={stub} stroke={colour('ink')} strokeWidth="1.4" />
          ))}
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
                <Run
                  kind={circuit.hoses.find((line) => line.id === hose.id)?.kind ?? 'hose'}
                  path={hose.path}
                  selected={selected}
                />
                <StripLength hose={hose} text={view?.lengthText ?? ''} bold={selected} />
              </Link>
            );
          })}
          <StripParts circuit={circuit} layout={layout} />
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
                  isAssumed={view.isAssumed}
                  selected={joint.id === selectedJointId}
                />
                {view.seal === 'banjo' && view.eyes > 1 ? (
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
                    isAssumed={view.isAssumed}
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
