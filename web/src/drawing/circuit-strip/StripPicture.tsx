/** A strip to look at, to a scale that it may share with others. */
import type { Hydraulics } from '@zephyrcombe/core';
import { colour } from '../../design/tokens.ts';
import { Run } from '../circuit-diagram/DiagramLines.tsx';
import { JointGlyph } from '../JointGlyph.tsx';
import type { StripLayout } from './layout.ts';
import { StripLength, StripMaster, StripParts } from './StripSymbols.tsx';

interface StripPictureProps {
  readonly circuit: Hydraulics;
  readonly layout: StripLayout;
  readonly label: string;
  readonly lengthText: (length_m: number) => string;
}

export function StripPicture({ circuit, layout, label, lengthText }: StripPictureProps) {
  const hose = (id: string) => circuit.hoses.find((line) => line.id === id);
  const text = (id: string) => {
    const line = hose(id);
    return line ? `${line.estimated ? '≈ ' : ''}${lengthText(line.length_m)}` : '';
  };
  return (
    <svg
      width={layout.width}
      height={layout.height}
      viewBox={`0 0 ${layout.width} ${layout.height}`}
      role="img"
      aria-label={`${label}: ${circuit.hoses.map((line) => `${line.name} ${text(line.id)}`).join(', ')}`}
    >
      <StripMaster layout={layout} text="" fluidColour={colour('sheet')} />
      {layout.hoses.map((placed) => {
        return (
          <g key={placed.id}>
            <Run kind={hose(placed.id)?.kind ?? 'hose'} path={placed.path} />
            <StripLength hose={placed} text={text(placed.id)} />
          </g>
        );
      })}
      <StripParts circuit={circuit} layout={layout} />
      {layout.joints.map((joint) => (
        <JointGlyph
          key={joint.id}
          x={joint.x}
          y={joint.y}
          seal={circuit.joints.find((candidate) => candidate.id === joint.id)?.seal ?? 'banjo'}
          state="open"
          radius={8}
        />
      ))}
    </svg>
  );
}
