/** What went otherwise at a nipple: air that went in, fluid on pads, a nipple that would not turn, a joint that was cracked. */
import type { FitFactSaid } from '@zephyrcombe/contract';
import { circuitOfPart, isClosed, partsOf } from '@zephyrcombe/contract';
import type { NippleFreed, WetPads } from '@zephyrcombe/core';
import { NIPPLE_FREED, WET_PADS } from '@zephyrcombe/core';
import { NIPPLE_FREED_NAMES, vehicleWords, WET_PADS_NAMES } from '@zephyrcombe/messages';
import { factOf, isTorqued } from '@zephyrcombe/workshop';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Dialog } from '../../design/Dialog.tsx';
import { Fine, Stack } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

interface HappenedProps {
  readonly nippleId: string;
  readonly onEvent: (kind: 'drewBack' | 'ranDry') => void;
}

export function Happened({ nippleId, onEvent }: HappenedProps) {
  const detail = useJob();
  const { job } = detail;
  const [isOpen, setOpen] = useState(false);
  const save = useJobAction('sayFitFact', job.id);
  const crack = useJobAction('takeFitSteps', job.id);
  const circuit = circuitOfPart(detail, nippleId)?.circuit;
  const { control } = vehicleWords(detail.vehicle, circuit ?? partsOf(detail));
  const send = (said: FitFactSaid) => save.mutate({ params: { jobId: job.id }, body: { id: newId(), said } });
  const done = (kind: 'drewBack' | 'ranDry') => {
    setOpen(false);
    onEvent(kind);
  };
  return (
    <>
      <TextButton because={isClosed(job) ? CLOSED : null} isQuiet onPress={() => setOpen(true)}>
        something went otherwise
      </TextButton>
      <SaveProblem save={save} />
      <SaveProblem save={crack} />
      <Dialog title="What went otherwise?" isOpen={isOpen} onClose={() => setOpen(false)}>
        {isOpen ? (
          <Stack $gap={12}>
            <PlainButton onPress={() => done('drewBack')}>
              The {control} or the suction came back with the nipple open: air went in
            </PlainButton>
            <PlainButton onPress={() => done('ranDry')}>The reservoir ran dry</PlainButton>
            <Parts nippleId={nippleId} send={send} />
            <Cracked
              jointIds={(circuit?.joints ?? []).map(({ id }) => id)}
              onCrack={(joint) => {
                setOpen(false);
                crack.mutate({
                  params: { jobId: job.id },
                  body: { steps: [{ id: newId(), step: { kind: 'crack', joint } }], overrides: [] },
                });
              }}
            />
          </Stack>
        ) : null}
      </Dialog>
    </>
  );
}

/** Of the nipple and of what it sits in. */
function Parts({
  nippleId,
  send,
}: {
  readonly nippleId: string;
  readonly send: (said: FitFactSaid) => void;
}) {
  const detail = useJob();
  const { components } = partsOf(detail);
  const host = components.find(
    ({ id }) => id === components.find((part) => part.id === nippleId)?.attachedTo,
  );
  const seized = factOf(detail, 'nippleSeized', nippleId) ?? null;
  const wet = host ? (factOf(detail, 'padsWet', host.id) ?? '') : '';
  return (
    <>
      {host && (host.kind === 'caliper' || host.kind === 'wheelCylinder') ? (
        <Pick<WetPads | ''>
          label={`Pads or shoes of the ${host.name.toLowerCase()}`}
          value={wet}
          options={[
            { value: '', text: 'nothing is said of them' },
            ...WET_PADS.map((value) => ({ value, text: WET_PADS_NAMES[value] })),
          ]}
          onChange={(value) =>
            send({ kind: 'padsWet', subjectId: host.id, value: value === '' ? null : value })
          }
        />
      ) : null}
      <Pick<NippleFreed | 'no' | 'unsaid'>
        label="This nipple"
        value={seized === null ? 'no' : (seized.freed ?? 'unsaid')}
        options={[
          { value: 'no', text: 'nothing is said of it' },
          { value: 'unsaid', text: 'would not turn, nobody says how it was freed' },
          ...NIPPLE_FREED.map((value) => ({
            value,
            text: `would not turn, freed: ${NIPPLE_FREED_NAMES[value]}`,
          })),
        ]}
        onChange={(value) =>
          send({
            kind: 'nippleSeized',
            subjectId: nippleId,
            value: value === 'no' ? null : { freed: value === 'unsaid' ? null : value },
          })
        }
      />
    </>
  );
}

/** A joint that was cracked to let air out counts as open, until it is torqued again with new washers. */
function Cracked({
  jointIds,
  onCrack,
}: {
  readonly jointIds: readonly string[];
  readonly onCrack: (jointId: string) => void;
}) {
  const detail = useJob();
  const { joints } = partsOf(detail);
  const tight = joints.filter(({ id }) => jointIds.includes(id) && isTorqued(detail, id));
  if (tight.length === 0) return null;
  return (
    <>
      <Pick
        label="A joint was cracked to let air out"
        value=""
        options={[
          { value: '', text: 'none was' },
          ...tight.map(({ id, name }) => ({ value: id, text: name })),
        ]}
        onChange={(id) => (id === '' ? undefined : onCrack(id))}
      />
      <Fine>It gets new washers and is torqued again in Fit before it counts.</Fine>
    </>
  );
}
