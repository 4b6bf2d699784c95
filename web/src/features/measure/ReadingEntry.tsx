import type { JobHose } from '@zephyrcombe/contract';
import { AID_NAMES, datumName, problemText } from '@zephyrcombe/contract';
import type { Aid, Pose } from '@zephyrcombe/core';
import { AIDS, convertLength, sealingDatum } from '@zephyrcombe/core';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { Pick } from '../../design/fields.tsx';
import { Fine, Stack } from '../../design/layout.ts';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { useJob } from '../job/JobContext.ts';
import { HoseDrawing } from './HoseDrawing.tsx';
import { datumsFor, inDatum, orderOf } from './measureView.ts';
import { afterRecorded, asSent, EMPTY_READING } from './readingDraft.ts';

const Beside = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 12px;
  align-items: start;
`;

interface ReadingEntryProps {
  readonly hose: JobHose;
  readonly pose: Pose;
}

/** One reading, typed on the dimension line of the hose's drawing. */
export function ReadingEntry({ hose, pose }: ReadingEntryProps) {
  const detail = useJob();
  const write = useWriter();
  const [draft, setDraft] = useDraft(`reading.${detail.job.id}.${hose.hoseId}.${pose}`, EMPTY_READING);
  const take = useJobAction('takeReading', detail.job.id, ({ body }) =>
    setDraft((current) => afterRecorded(current, body?.typed)),
  );
  const finished = detail.job.status === 'finished';
  const fitted = detail.circuit.hoses.find((candidate) => candidate.id === hose.hoseId);
  const jointName = (id: string | undefined) =>
    detail.circuit.joints.find((joint) => joint.id === id)?.name ?? '';

  const datums = datumsFor(hose);
  const datum = datums[draft.datum] ?? sealingDatum(hose.endA, hose.endB);
  const reading = readQuantity(draft.text, 'length').quantity;
  const travel = readQuantity(draft.travel, 'length', true).quantity;
  const converted =
    reading === null
      ? null
      : convertLength({
          length_m: reading.value_SI,
          given: datum,
          wanted: sealingDatum(hose.endA, hose.endB),
          endA: hose.endA,
          endB: hose.endB,
        });
  const isDroop = pose === 'fullDroop';
  const ready = converted?.ok === true && (!isDroop || travel !== null);

  const order = orderOf(detail, hose);
  const order_m = order.ok ? order.value.order_m : null;
  const lengths =
    order_m === null
      ? []
      : datums.flatMap((wanted) => {
          const result = inDatum(hose, order_m, wanted);
          if (!result.ok) return [];
          const total = order_m - result.value.length_m;
          const inset =
            wanted.endA === 'behindNeck'
              ? hose.endA.neckLength_m
              : wanted.endA === 'ferruleFace'
                ? hose.endA.ferruleToApex_m + hose.endA.apexToPoint_m
                : 0;
          return [
            {
              key: wanted.endA + wanted.endB,
              insetA_m: inset,
              insetB_m: total - inset,
              figure: write.length(result.value.length_m),
              datum: datumName(wanted),
            },
          ];
        });

  const send = () => {
    if (!ready || reading === null || !converted?.ok) return;
    const sent = asSent(draft, reading.typed, newId);
    setDraft(sent);
    take.mutate({
      params: { jobId: detail.job.id },
      body: {
        id: sent.id,
        hoseId: hose.hoseId,
        pose,
        length_m: converted.value.length_m,
        typed: reading.typed,
        datum,
        aid: draft.aid,
        remainingTravel_m: isDroop ? (travel?.value_SI ?? 0) : 0,
      },
    });
  };

  if (fitted === undefined) return null;
  return (
    <Stack>
      <HoseDrawing
        length_m={order_m ?? 0}
        endA={hose.endA}
        endB={hose.endB}
        nameA={jointName(fitted.fromJointId)}
        nameB={jointName(fitted.toJointId)}
        lengths={lengths}
        entry={
          finished ? null : (
            <QuantityField
              label="Reading"
              hideLabel
              kind="length"
              big
              placeholder="e.g. 742 mm or 29 1/4 in"
              text={draft.text}
              onText={(text) => setDraft({ ...draft, text })}
              onEnter={send}
              error={converted && !converted.ok ? problemText(converted.problem, write) : null}
            />
          )
        }
      />
      {finished ? null : (
        <>
          <Beside>
            <Pick
              label="Read from"
              value={String(draft.datum)}
              options={datums.map((candidate, index) => ({
                value: String(index),
                text: datumName(candidate),
              }))}
              onChange={(index) => setDraft({ ...draft, datum: Number(index) })}
            />
            <Pick<Aid>
              label="Laid along the route"
              value={draft.aid}
              options={AIDS.map((aid) => ({ value: aid, text: AID_NAMES[aid] }))}
              onChange={(aid) => setDraft({ ...draft, aid })}
            />
            {isDroop ? (
              <QuantityField
                label="Travel left (0 with the wheel clear)"
                kind="length"
                allowZero
                text={draft.travel}
                onText={(next) => setDraft({ ...draft, travel: next })}
              />
            ) : null}
          </Beside>
          <SaveProblem save={take} />
          <div>
            <PrimaryButton isDisabled={!ready || take.isPending} onPress={send}>
              {converted?.ok ? `Record ${write.length(converted.value.length_m)}` : 'Record the reading'}
            </PrimaryButton>
          </div>
          {converted?.ok && reading && Math.abs(converted.value.length_m - reading.value_SI) > 1e-9 ? (
            <Fine>
              {reading.typed} {datumName(datum)} is {write.length(converted.value.length_m)}{' '}
              {datumName(sealingDatum(hose.endA, hose.endB))}.{' '}
              <Working of="converted reading" result={converted} />
            </Fine>
          ) : null}
        </>
      )}
    </Stack>
  );
}
