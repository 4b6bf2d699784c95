/** Longer springs, spacers or arms that are still to be fitted: the wheel will hang lower than it was measured. */
import type { JobHose } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Beside, Fine, Line, Stack } from '../../design/layout.ts';
import { editableText, QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { useJob } from '../job/JobContext.ts';

export function LiftEntry({ hose }: { readonly hose: JobHose }) {
  const { job } = useJob();
  const write = useWriter();
  const edit = useJobAction('editJobHose', job.id);
  const text = (value_m: number | null | undefined) =>
    typeof value_m === 'number' ? editableText(value_m, write.units.length) : '';
  const [typed, setTyped] = useState<{ readonly height: string; readonly droop: string } | null>(null);
  const { lift } = hose;
  const save = (next: JobHose['lift']) =>
    edit.mutate(
      { params: { jobId: job.id, hoseId: hose.hoseId }, body: { version: hose.version, lift: next } },
      { onSuccess: () => setTyped(null) },
    );
  if (typed === null)
    return (
      <Stack $gap={6}>
        {lift ? (
          <Fine>
            Lift still to come: {write.length(lift.height_m)}.{' '}
            {lift.droop_m === null
              ? 'Droop not measured yet; the lift has been added.'
              : `The wheel will hang ${write.length(lift.droop_m)} lower; that has been added.`}
          </Fine>
        ) : null}
        {isClosed(job) ? null : (
          <Line>
            <TextButton
              onPress={() => setTyped({ height: text(lift?.height_m), droop: text(lift?.droop_m) })}
            >
              {lift ? 'change the lift' : 'Suspension or bar lift still to come'}
            </TextButton>
            {lift ? <TextButton onPress={() => save(null)}>no lift</TextButton> : null}
          </Line>
        )}
        <SaveProblem save={edit} />
      </Stack>
    );
  const height = readQuantity(typed.height, 'length').quantity;
  const droop = readQuantity(typed.droop, 'length').quantity;
  const isDroopRead = typed.droop.trim() === '' || droop !== null;
  return (
    <Stack $gap={8} role="group" aria-label="Lift still to come">
      <Beside>
        <QuantityField
          label="It will stand higher by"
          kind="length"
          text={typed.height}
          onText={(next) => setTyped({ ...typed, height: next })}
        />
        <QuantityField
          label="The wheel will hang lower by (measured)"
          kind="length"
          text={typed.droop}
          onText={(next) => setTyped({ ...typed, droop: next })}
        />
      </Beside>
      <Line>
        <PlainButton
          isPending={edit.isPending}
          because={
            height === null
              ? 'Type the height of the lift.'
              : isDroopRead
                ? null
                : 'The droop cannot be read: type it again or leave it out.'
          }
          onPress={() => {
            if (height) save({ height_m: height.value_SI, droop_m: droop?.value_SI ?? null });
          }}
        >
          Add the lift
        </PlainButton>
        <PlainButton onPress={() => setTyped(null)}>Leave it</PlainButton>
      </Line>
      <SaveProblem save={edit} />
    </Stack>
  );
}
