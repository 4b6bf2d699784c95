/** The order of the nipples: the maker's where somebody has looked it up, the farthest first otherwise. */
import type { FitFactSaid } from '@zephyrcombe/contract';
import { isClosed, partsOf } from '@zephyrcombe/contract';
import { vehicleWords } from '@zephyrcombe/messages';
import { factOf } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { Dialog } from '../../design/Dialog.tsx';
import { Fine, Line, Rows, Spread, Stack, Unseen } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

const SIDES = [
  { value: '', text: 'nobody has said' },
  { value: 'left', text: 'left' },
  { value: 'right', text: 'right' },
] as const;

export function OrderAsked({ order }: { readonly order: readonly string[] }) {
  const detail = useJob();
  const [isOpen, setOpen] = useState(false);
  const save = useJobAction('sayFitFact', detail.job.id);
  const closed = isClosed(detail.job) ? CLOSED : null;
  const maker = factOf(detail, 'nippleOrder', detail.vehicle.id) ?? null;
  const send = (said: FitFactSaid) => {
    setOpen(false);
    save.mutate({ params: { jobId: detail.job.id }, body: { id: newId(), said } });
  };
  const subjectId = detail.vehicle.id;
  if (order.length < 2) return null;
  return (
    <>
      {vehicleWords(detail.vehicle, partsOf(detail)).handAndFoot ? null : (
        <Pick
          label="Driven from the"
          value={factOf(detail, 'driveSide', subjectId) ?? ''}
          options={SIDES}
          isDisabled={closed !== null}
          onChange={(side) => send({ kind: 'driveSide', subjectId, value: side === '' ? null : side })}
        />
      )}
      <Line>
        <TextButton because={closed} onPress={() => setOpen(true)}>
          {maker === null ? 'the maker has another order' : 'change the maker’s order'}
        </TextButton>
        {maker === null ? null : (
          <TextButton because={closed} onPress={() => send({ kind: 'nippleOrder', subjectId, value: null })}>
            the maker says none
          </TextButton>
        )}
      </Line>
      <SaveProblem save={save} />
      <Dialog title="The maker’s order" isOpen={isOpen} onClose={() => setOpen(false)}>
        {isOpen ? (
          <Sorted order={order} onKeep={(value) => send({ kind: 'nippleOrder', subjectId, value })} />
        ) : null}
      </Dialog>
    </>
  );
}

function Sorted({
  order,
  onKeep,
}: {
  readonly order: readonly string[];
  readonly onKeep: (order: string[]) => void;
}) {
  const { components } = partsOf(useJob());
  const [ids, setIds] = useState<readonly string[]>(order);
  const nameOf = (id: string) => components.find((part) => part.id === id)?.name ?? '';
  const earlier = (at: number) =>
    setIds(
      ids.map((id, place) => (place === at - 1 ? (ids[at] ?? id) : place === at ? (ids[at - 1] ?? id) : id)),
    );
  return (
    <Stack $gap={14}>
      <Fine>As its service manual has it. It stays with the vehicle.</Fine>
      <Rows as="ol">
        {ids.map((id, at) => (
          <li key={id}>
            <Spread>
              <span>
                {at + 1}. {nameOf(id)}
              </span>
              <TextButton because={at === 0 ? 'It is the first.' : null} isQuiet onPress={() => earlier(at)}>
                earlier<Unseen> {nameOf(id)}</Unseen>
              </TextButton>
            </Spread>
          </li>
        ))}
      </Rows>
      <PrimaryButton onPress={() => onKeep([...ids])}>Keep this order with the vehicle</PrimaryButton>
      <PlainButton onPress={() => setIds(order)}>As it was</PlainButton>
    </Stack>
  );
}
