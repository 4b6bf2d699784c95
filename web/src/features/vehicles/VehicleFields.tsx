import type { VehicleKind } from '@zephyrcombe/contract';
import { VEHICLE_KINDS } from '@zephyrcombe/contract';
import { VEHICLE_KIND_NAMES } from '@zephyrcombe/messages';
import styled from 'styled-components';
import { ChoiceRow, TextField, Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Stack } from '../../design/layout.ts';
import { PHONE } from '../../design/tokens.ts';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import type { VehicleDraft, VehicleErrors } from './vehicleForm.ts';

const Two = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 20px;
  align-items: start;
  ${PHONE} {
    grid-template-columns: 1fr;
  }
`;

interface VehicleFieldsProps {
  readonly draft: VehicleDraft;
  readonly onDraft: (draft: VehicleDraft) => void;
  /** Shown once somebody tried to save. */
  readonly errors: VehicleErrors;
  /** Where these fields lie in the request: "vehicle." or nowhere deeper. */
  readonly under?: string;
}

export function VehicleFields({ draft, onDraft, errors, under = '' }: VehicleFieldsProps) {
  const set = (change: Partial<VehicleDraft>) => onDraft({ ...draft, ...change });
  return (
    <Stack $gap={12}>
      <Two>
        <TextField
          label="Vehicle name"
          name={`${under}name`}
          value={draft.name}
          onChange={(name) => set({ name })}
          error={errors.name}
        />
        <TextField
          label="Plate"
          name={`${under}plate`}
          value={draft.plate}
          onChange={(plate) => set({ plate: plate.slice(0, 20) })}
        />
        <Pick<VehicleKind>
          label="Kind"
          value={draft.kind}
          options={VEHICLE_KINDS.map((kind) => ({ value: kind, text: VEHICLE_KIND_NAMES[kind] }))}
          onChange={(kind) => set({ kind })}
        />
        <QuantityField
          label="Distance now"
          kind="distance"
          text={draft.distance}
          onText={(distance) => set({ distance })}
          error={errors.distance ?? null}
          allowZero
        />
        <TextField
          label="Maker’s fluid interval, months"
          name={`${under}makerIntervalMonths`}
          value={draft.intervalMonths}
          onChange={(intervalMonths) => set({ intervalMonths })}
          error={errors.intervalMonths}
        />
        <QuantityField
          label="Maker’s fluid interval, distance"
          kind="distance"
          text={draft.intervalDistance}
          onText={(intervalDistance) => set({ intervalDistance })}
          error={errors.intervalDistance ?? null}
        />
      </Two>
      <ChoiceRow
        label="Use"
        value={draft.use}
        options={[
          { value: 'road', text: 'on the road' },
          { value: 'competition', text: 'competition only' },
        ]}
        onChange={(use) => set({ use })}
      />
      <div>
        <Tick isSelected={draft.abs} onChange={(abs) => set({ abs })}>
          ABS
        </Tick>
        <Tick isSelected={draft.linkedBrakes} onChange={(linkedBrakes) => set({ linkedBrakes })}>
          Front and rear are linked
        </Tick>
        <Tick isSelected={draft.electricBooster} onChange={(electricBooster) => set({ electricBooster })}>
          Electric brake booster
        </Tick>
      </div>
      <TextField
        label="What a colleague should know"
        name={`${under}note`}
        multiline
        value={draft.note}
        onChange={(note) => set({ note })}
      />
    </Stack>
  );
}
