import type { Circuit } from '@zephyrcombe/contract';
import { OUTFLOW_NAMES } from '@zephyrcombe/messages';
import type { FluidGrade } from '@zephyrcombe/core';
import { FLUID_GRADES } from '@zephyrcombe/core';
import styled from 'styled-components';
import { Pick } from '../../design/Pick.tsx';
import { Label } from '../../design/layout.ts';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import type { FluidDraft } from './signingDraft.ts';
import { COLOURS } from './signingDraft.ts';

export const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 12px 16px;
  align-items: start;
`;

interface FluidFieldsProps {
  readonly circuit: Circuit;
  readonly fluid: FluidDraft;
  readonly onFluid: (next: FluidDraft) => void;
  /** Several circuits: each is named. */
  readonly isNamed: boolean;
}

/** The fluid of one circuit: what went in, and what came out. */
export function FluidFields({ circuit, fluid, onFluid, isNamed }: FluidFieldsProps) {
  const change = (next: Partial<FluidDraft>) => onFluid({ ...fluid, ...next });
  return (
    <div role="group" aria-label={`Fluid of ${circuit.name}`}>
      {isNamed ? <Label style={{ display: 'block', marginBottom: 6 }}>{circuit.name}</Label> : null}
      <Fields>
        <Pick<FluidGrade>
          label={`Fluid (cap: ${circuit.fluidGrade})`}
          value={fluid.grade}
          options={FLUID_GRADES.map((grade) => ({ value: grade, text: grade }))}
          onChange={(grade) => change({ grade })}
        />
        <QuantityField
          label="Quantity used"
          kind="volume"
          placeholder="e.g. 350 mL"
          text={fluid.quantity}
          onText={(quantity) => change({ quantity })}
        />
        <Pick
          label="Old fluid’s colour"
          value={fluid.colour}
          options={[
            { value: '', text: 'not noted' },
            ...COLOURS.map((shade) => ({ value: shade, text: OUTFLOW_NAMES[shade] })),
          ]}
          onChange={(colour) => change({ colour })}
        />
        <QuantityField
          label="Old fluid’s water"
          kind="fraction"
          allowZero
          placeholder="e.g. 2 %"
          text={fluid.water}
          onText={(water) => change({ water })}
        />
      </Fields>
    </div>
  );
}
