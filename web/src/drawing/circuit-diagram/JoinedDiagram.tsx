/** Circuits of a vehicle on one drawing where they share parts: a tandem master or an ABS unit is there once. */
import type { Hydraulics, JoinedCircuits } from '@zephyrcombe/core';
import { joinedCircuits } from '@zephyrcombe/core';
import { namesInLine } from '@zephyrcombe/contract';
import { Label, Stack } from '../../design/layout.ts';
import { CircuitDiagram } from './CircuitDiagram.tsx';

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
  return (
    <Stack $gap={6}>
      <CircuitDiagram
        circuit={whole}
        label={namesInLine(circuits.map(({ name }) => name))}
        lengthText={lengthText}
        markOf={(lineId) => numberOf.get(lineId) ?? ''}
      />
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
