/** A circuit on its drawing, to look at. The editor adds hands to the same picture. */
import type { Hydraulics } from '@zephyrcombe/core';
import { COMPONENT_NAMES } from '@zephyrcombe/messages';
import { useMemo } from 'react';
import { colour } from '../../design/tokens.ts';
import { JointGlyph } from '../JointGlyph.tsx';
import { Run } from './DiagramLines.tsx';
import { layoutDiagram } from './layout.ts';
import { PartSymbol } from './PartSymbol.tsx';

interface CircuitDiagramProps {
  readonly circuit: Hydraulics;
  readonly label: string;
  readonly lengthText: (length_m: number) => string;
  /** Where several circuits are drawn as one: which of them a line belongs to. */
  readonly markOf?: (lineId: string) => string;
}

export function CircuitDiagram({ circuit, label, lengthText, markOf }: CircuitDiagramProps) {
  const diagram = useMemo(() => layoutDiagram(circuit), [circuit]);
  const part = (id: string) => circuit.components.find((candidate) => candidate.id === id);
  const hose = (id: string) => circuit.hoses.find((candidate) => candidate.id === id);
  const summary = circuit.hoses.map((line) => `${line.name}, ${lengthText(line.length_m)}`).join('; ');
  return (
    <svg
      viewBox={`0 0 ${diagram.width} ${diagram.height}`}
      width="100%"
      style={{ maxWidth: diagram.width, display: 'block' }}
      role="img"
      aria-label={`${label}: ${summary}`}
    >
      {diagram.joints.map((joint) => (
        <path key={joint.id} d={joint.stub} stroke={colour('ink')} strokeWidth="1.4" />
      ))}
      {diagram.lines.map((line) => {
        const its = hose(line.id);
        return its ? (
          <g key={line.id}>
            <Run kind={its.kind} path={line.path} />
            <LengthLabel
              x={line.labelX}
              y={line.labelY}
              text={`${markOf ? `${markOf(line.id)}: ` : ''}${its.estimated ? '≈ ' : ''}${lengthText(its.length_m)}`}
            />
          </g>
        ) : null;
      })}
      {diagram.parts.map((placed) => {
        const its = part(placed.id);
        return its ? (
          <g key={placed.id} transform={`translate(${placed.x} ${placed.y})`}>
            <PartSymbol kind={its.kind} attached={placed.attached.flatMap((id) => part(id)?.kind ?? [])} />
            <PartName name={its.name || COMPONENT_NAMES[its.kind]} />
          </g>
        ) : null;
      })}
      {diagram.joints.map((joint) => (
        <JointGlyph key={joint.id} x={joint.x} y={joint.y} seal={joint.seal} state="open" radius={7} />
      ))}
    </svg>
  );
}

export function LengthLabel({
  x,
  y,
  text,
  bold = false,
}: {
  readonly x: number;
  readonly y: number;
  readonly text: string;
  readonly bold?: boolean;
}) {
  const width = text.length * 8 + 8;
  return (
    <g>
      <rect x={x - width / 2} y={y - 10} width={width} height="20" fill={colour('sheet')} />
      <text
        className="figure"
        x={x}
        y={y + 4.5}
        textAnchor="middle"
        fontSize="13"
        fontWeight={bold ? 700 : 400}
        fill={colour('ink')}
      >
        {text}
      </text>
    </g>
  );
}

/** Two lines at most under the symbol. */
export function PartName({ name, selected = false }: { readonly name: string; readonly selected?: boolean }) {
  return (
    <text textAnchor="middle" fontSize="12.5" fontWeight={selected ? 700 : 400} fill={colour('ink')}>
      {wrapped(name).map((row, index) => (
        <tspan key={index} x="0" y={33 + index * 14}>
          {row}
        </tspan>
      ))}
    </text>
  );
}

const MOST_LETTERS = 22;
function wrapped(name: string): readonly string[] {
  if (name.length <= MOST_LETTERS) return [name];
  const at = name.lastIndexOf(' ', MOST_LETTERS);
  const cut = at > 6 ? at : MOST_LETTERS;
  const rest = name.slice(cut).trim();
  return [name.slice(0, cut), rest.length > MOST_LETTERS ? `${rest.slice(0, MOST_LETTERS - 1)}…` : rest];
}
