/** Circuits of a vehicle on one drawing where they share parts: a tandem master or an ABS unit is there once. */
import type { Hydraulics, JoinedCircuits } from '@zephyrcombe/core';
import { joinedCircuits } from '@zephyrcombe/core';
import { namesInLine } from '@zephyrcombe/contract';
import styled from 'styled-components';
import { Label, Stack } from '../../design/layout.ts';
import { PHONE } from '../../design/tokens.ts';
import { CircuitDiagram } from './CircuitDiagram.tsx';

/** On a phone it stays large enough to be read, and is moved sideways. */
const Wide = styled.div`
  ${PHONE} {
    overflow-x: auto;
    > svg {
      width: 720px;
    }
  }
`;

interface JoinedDiagramProps {
  readonly joined: JoinedCircuits;
  readonly lengthText: (length_m: number) => string;
}

export function JoinedDiagram({ joined: { circuits, whole }, lengthText }: JoinedDiagramProps) {
  const numberOf = new Map(
    circuits.flatMap(({ hoses }, index) => hoses.map(({ id }) => [id, String(index + 1)] as const)),
  );
  if (circuits.length === 1)
    return <CircuitDiagram circuit={whole} label={whole.name} lengthText={lengthText} />;
  const label = namesInLine(circuits.map(({ name }) => name));
  return (
    <Stack $gap={6}>
      <Wide role="group" aria-label={`Drawing of ${label}`} tabIndex={0}>
        <CircuitDiagram
          circuit={whole}
          label={label}
          lengthText={lengthText}
          markOf={(lineId) => numberOf.get(lineId) ?? ''}
        />
      </Wide>
      <Label>
        {circuits.map(({ name }, index) => `${index + 1}: ${name.toLowerCase()}`).join(', ')}. What they share
        is drawn once.
      </Label>
    </Stack>
  );
}

interface AllCircuitsProps {
  readonly circuits: readonly Hydraulics[];
  readonly lengthText: (length_m: number) => string;
}

/** All circuits of a vehicle that is not entered yet. */
export function AllCircuits({ circuits, lengthText }: AllCircuitsProps) {
  return joinedCircuits(circuits).map((joined, index) => (
    <div key={index}>
      <Label>{joined.whole.name}</Label>
      <JoinedDiagram joined={joined} lengthText={lengthText} />
    </div>
  ));
}
