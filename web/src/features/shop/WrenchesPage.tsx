/** The shop's torque wrenches: range, last calibration, and whether they are in use. */
import type { Wrench } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import { wrenchRange } from '@zephyrcombe/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { ApiError, RequestOf } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { wrenchesQuery } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { DayField } from '../../design/DayField.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Line, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { RecordForm } from '../../design/RecordForm.tsx';
import { ShopFrame } from './ShopFrame.tsx';

type Fields = Pick<Wrench, 'name' | 'minimum_Nm' | 'calibratedOn' | 'serial'> & {
  readonly maximum_Nm: number | null;
};
const EMPTY: Fields & { readonly id: string } = {
  id: '',
  name: '',
  minimum_Nm: null,
  maximum_Nm: null,
  calibratedOn: null,
  serial: null,
};

export function WrenchesPage() {
  const mayKeep = may(usePerson(), 'keepShop');
  return (
    <ShopFrame title="Torque wrenches" query={useQuery(wrenchesQuery)}>
      {({ items }) => (
        <>
          {items.length === 0 ? (
            <Fine>
              {mayKeep
                ? 'None is entered yet. A torque is recorded with the wrench it was reached with: enter the first one below.'
                : 'None is entered yet. Your lead enters them.'}
            </Fine>
          ) : null}
          <Rows>
            {items.map((wrench) => (
              <WrenchRow key={`${wrench.id} ${wrench.version}`} wrench={wrench} mayKeep={mayKeep} />
            ))}
          </Rows>
          {mayKeep ? <NewWrench /> : null}
        </>
      )}
    </ShopFrame>
  );
}

function WrenchRow({ wrench, mayKeep }: { readonly wrench: Wrench; readonly mayKeep: boolean }) {
  const write = useWriter();
  const [isOpen, setOpen] = useState(false);
  const trusted = wrenchRange(wrench.maximum_Nm, wrench.minimum_Nm);
  return (
    <div>
      <Spread>
        <span>
          <strong>{wrench.name}</strong>
          {wrench.isRetired ? ', out of use' : ''}
          <Fine>
            {trusted.ok
              ? `trusted ${write.torqueRange(trusted.value.lowest_Nm, trusted.value.highest_Nm)}, `
              : ''}
            {wrench.calibratedOn
              ? `calibrated ${write.date(wrench.calibratedOn)}`
              : 'no calibration on record'}
            {wrench.serial === null ? '' : `, read as ${wrench.serial}`}
          </Fine>
        </span>
        {mayKeep ? (
          <TextButton onPress={() => setOpen(!isOpen)} aria-expanded={isOpen}>
            {isOpen ? 'leave it' : `change ${wrench.name}`}
          </TextButton>
        ) : null}
      </Spread>
      {isOpen ? <EditWrench wrench={wrench} /> : null}
    </div>
  );
}

/** What an entered wrench lacks, in a sentence. */
const doubtOf = ({ name, minimum_Nm, maximum_Nm }: Fields): string | null =>
  name.trim() === ''
    ? 'Give it a name.'
    : maximum_Nm === null
      ? 'Type the upper end of its range.'
      : minimum_Nm !== null && minimum_Nm >= maximum_Nm
        ? 'The lower end is not below the upper one.'
        : null;

interface WrenchFieldsProps {
  readonly fields: Fields;
  readonly onFields: (fields: Fields) => void;
}

function WrenchFields({ fields, onFields }: WrenchFieldsProps) {
  return (
    <Stack $gap={10}>
      <TextField
        label="Name, as it is called in the shop"
        name="name"
        value={fields.name}
        onChange={(name) => onFields({ ...fields, name })}
      />
      <Line style={{ alignItems: 'start' }}>
        <QuantityEntry
          label="Its scale begins at (may stay empty)"
          kind="torque"
          value_SI={fields.minimum_Nm}
          onValue={(minimum_Nm) => onFields({ ...fields, minimum_Nm })}
          mayBeEmpty
        />
        <QuantityEntry
          label="Its scale ends at"
          kind="torque"
          value_SI={fields.maximum_Nm}
          onValue={(maximum_Nm) => onFields({ ...fields, maximum_Nm })}
          mayBeEmpty
        />
      </Line>
      <DayField
        label="Calibrated on (may stay empty)"
        value={fields.calibratedOn ?? ''}
        onChange={(day) => onFields({ ...fields, calibratedOn: day === '' ? null : day })}
      />
      <TextField
        label="Serial number, of one that can be read by this application (may stay empty)"
        name="serial"
        value={fields.serial ?? ''}
        onChange={(serial) => onFields({ ...fields, serial: serial === '' ? null : serial })}
      />
    </Stack>
  );
}

function useTaken() {
  const client = useQueryClient();
  return (reply: { items: Wrench[] }) => {
    client.setQueryData(wrenchesQuery.queryKey, reply);
    void client.invalidateQueries({ queryKey: ['job'] });
  };
}

function EditWrench({ wrench }: { readonly wrench: Wrench }) {
  const taken = useTaken();
  const client = useQueryClient();
  const [fields, setFields] = useState<Fields>(wrench);
  const save = useMutation<{ items: Wrench[] }, ApiError, RequestOf<'editWrench'>>({
    mutationFn: (input) => call('editWrench', input),
    onSuccess: taken,
  });
  const send = (changes: Partial<Wrench>) =>
    save.mutate({ params: { wrenchId: wrench.id }, body: { version: wrench.version, ...changes } });
  const { name, minimum_Nm, maximum_Nm, calibratedOn, serial } = fields;
  return (
    <div style={{ padding: '12px 0 20px' }}>
      <RecordForm
        saves={[save]}
        onSend={() =>
          maximum_Nm === null
            ? undefined
            : send({ name: name.trim(), minimum_Nm, maximum_Nm, calibratedOn, serial })
        }
      >
        <WrenchFields fields={fields} onFields={setFields} />
        <SaveProblem
          save={save}
          onTakeTheirs={() => void client.invalidateQueries({ queryKey: wrenchesQuery.queryKey })}
        />
        <Line>
          <PlainButton type="submit" isPending={save.isPending} because={doubtOf(fields)}>
            Save {wrench.name}
          </PlainButton>
          <TextButton onPress={() => send({ isRetired: !wrench.isRetired })}>
            {wrench.isRetired ? 'Take it into use again' : 'Put it out of use'}
          </TextButton>
        </Line>
      </RecordForm>
    </div>
  );
}

function NewWrench() {
  const taken = useTaken();
  const [draft, setDraft, clear] = useDraft('wrench.new', EMPTY);
  const [round, setRound] = useState(0);
  const add = useMutation<{ items: Wrench[] }, ApiError, RequestOf<'addWrench'>>({
    mutationFn: (input) => call('addWrench', input),
    onSuccess: (reply) => {
      taken(reply);
      clear();
      // Fields of a quantity keep what was typed: the next wrench gets new ones.
      setRound(round + 1);
    },
  });
  const { name, minimum_Nm, maximum_Nm, calibratedOn, serial } = draft;
  const enter = () => {
    if (maximum_Nm === null) return;
    const id = draft.id === '' ? newId() : draft.id;
    setDraft({ ...draft, id });
    add.mutate({ body: { id, name: name.trim(), minimum_Nm, maximum_Nm, calibratedOn, serial } });
  };
  return (
    <Sheet>
      <SheetTitle>Enter a wrench</SheetTitle>
      <RecordForm saves={[add]} onSend={enter}>
        <WrenchFields key={round} fields={draft} onFields={(fields) => setDraft({ ...draft, ...fields })} />
        <SaveProblem save={add} />
        <div>
          <PrimaryButton type="submit" isPending={add.isPending} because={doubtOf(draft)}>
            Enter this wrench
          </PrimaryButton>
        </div>
      </RecordForm>
    </Sheet>
  );
}
