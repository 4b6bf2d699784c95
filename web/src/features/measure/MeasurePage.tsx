/** Tape readings typed onto the hose's own drawing; the length to order with all that speaks for and against it. */
import type { JobHose } from '@zephyrcombe/contract';
import {
  isClosed,
  liveReadings,
  may,
  movementOfHose,
  orderDatumOf,
  orderedLength_m,
  partsOf,
  readingCautions,
} from '@zephyrcombe/contract';
import { digestOf, lengthFacts, lengthStanding } from '@zephyrcombe/workshop';
import type { Writer } from '@zephyrcombe/messages';
import { datumName, POSE_CHECK_NAMES, POSE_NAMES, problemText, whoMay } from '@zephyrcombe/messages';
import type { HoseMovement, Pose } from '@zephyrcombe/core';
import { checksFor, POSES, posesFor, sealingDatum, stopsAmong } from '@zephyrcombe/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { TakeOffs } from '../known/TakeOffs.tsx';
import { isSending } from '../../api/isSending.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import {
  Columns,
  Figure,
  Fine,
  Hero,
  Label,
  Rows,
  Sheet,
  SheetTitle,
  Spread,
  Stack,
} from '../../design/layout.ts';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { KeepEvidence } from '../job/KeepEvidence.tsx';
import { LinePicker } from '../job/HosePicker.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import { selectedHose, selectedLine } from '../job/jobView.ts';
import { LineStage } from '../hard-line/LineStage.tsx';
import { DonorSheet } from './DonorSheet.tsx';
import { agreedShort_m, HoseRoute, useKeptRoute } from '../route/job/HoseRoute.tsx';
import { LiftEntry } from './LiftEntry.tsx';
import { datumsFor, inDatum, orderOf, restsOnAssumed, sameDatum } from './measureView.ts';
import { PoseTable } from './PoseTable.tsx';
import { ReadingEntry } from './ReadingEntry.tsx';
import { ReadingList } from './ReadingList.tsx';
import type { SaidOfHose } from './saidOnce.ts';
import { othersAsked, unaskedLike } from './saidOnce.ts';
import { TraceList } from '../trace/TraceList.tsx';

export function MeasurePage() {
  const detail = useJob();
  const { hoseId, jointId } = useSelection();
  const line = selectedLine(detail, hoseId);
  const hose = selectedHose(detail, hoseId, jointId);
  const [chosen, setPose] = useState<Pose | null>(null);
  if (line) return <LineStage line={line} stage="measure" />;
  if (hose === null) return <Fine>No hose is in the scope of this job.</Fine>;
  const count = (candidate: Pose) =>
    liveReadings(detail, hose.hoseId).filter((reading) => reading.pose === candidate).length;
  const worth = posesFor(movementOfHose(detail, hose.hoseId));
  const poses = POSES.filter((candidate) => worth.includes(candidate) || count(candidate) > 0);
  const pose = chosen !== null && poses.includes(chosen) ? chosen : (worth[0] ?? 'straightAhead');
  return (
    <Columns>
      <Stack $gap={16}>
        <Sheet>
          <Stack $gap={14}>
            <LinePicker
              current={hose.hoseId}
              isDone={(candidate) => candidate.order_m !== null}
              isLineDone={(candidate) => candidate.pattern !== null}
            />
            <ChoiceRow<Pose>
              label="Pose the reading is taken in"
              value={pose}
              options={poses.map((candidate) => ({
                value: candidate,
                text:
                  count(candidate) > 0
                    ? `${POSE_NAMES[candidate]} (${count(candidate)})`
                    : POSE_NAMES[candidate],
              }))}
              onChange={setPose}
            />
            <ReadingEntry key={`${hose.hoseId} ${pose}`} hose={hose} pose={pose} />
          </Stack>
        </Sheet>
        <ReadingList hoseId={hose.hoseId} />
        <TraceList />
      </Stack>
      <OrderColumn key={hose.hoseId} hose={hose} />
    </Columns>
  );
}

/** What this vehicle does to the hose, in one line. */
const movementText = ({ steers, travels, solidAxle }: HoseMovement): string =>
  [
    ...(steers ? ['turns with the steering'] : []),
    ...(travels ? ['follows the suspension'] : []),
    ...(solidAxle ? ['crosses up with its axle'] : []),
  ].join(', ') || 'stands still';

function OrderColumn({ hose }: { readonly hose: JobHose }) {
  const detail = useJob();
  const write = useWriter();
  const person = usePerson();
  const navigate = useNavigate();
  const edit = useJobAction('editJobHose', detail.job.id);
  const params = { jobId: detail.job.id, hoseId: hose.hoseId };
  const finished = isClosed(detail.job);
  const name = partsOf(detail).hoses.find((candidate) => candidate.id === hose.hoseId)?.name ?? 'Hose';
  const route = useKeptRoute(detail.job.vehicleId, hose.hoseId, detail.job.id);
  const byTape = orderOf(detail, hose);
  const tape_m = byTape.ok ? byTape.value.order_m : null;
  const result = orderOf(detail, hose, agreedShort_m(route, tape_m));
  const seen = lengthFacts(detail, { ...hose, order_m: result.ok ? taken_m(result.value) : null });
  const movement = movementOfHose(detail, hose.hoseId);
  /** What is one thing for the whole job is said of the hose at hand first, then of the others. */
  const sayOfAll = (said: SaidOfHose, others: readonly JobHose[]) => {
    for (const { hoseId, version } of [hose, ...others])
      edit.mutate({ params: { jobId: detail.job.id, hoseId }, body: { version, ...said } });
  };
  const datums = datumsFor(hose);
  const orderDatum = orderDatumOf(hose);
  const length = lengthStanding(detail, hose);
  const wanted = result.ok ? inDatum(hose, result.value.order_m, orderDatum) : null;
  const nextOpen = detail.hoses.find(
    (candidate) => candidate.order_m === null && candidate.hoseId !== hose.hoseId,
  );

  return (
    <Stack $gap={14}>
      <div>
        <Label>{name}: order</Label>
        {result.ok && wanted?.ok ? (
          <>
            <Hero data-testid="order-length">{write.length(wanted.value.length_m)}</Hero>
            <Spread>
              <Fine>{datumName(orderDatum)}</Fine>
              <Working
                of="order length"
                result={{
                  ...result,
                  working: [...result.working, ...wanted.working],
                  sources: [...new Set([...result.sources, ...wanted.sources])],
                }}
              />
            </Spread>
          </>
        ) : (
          <>
            <Hero>
              <span aria-hidden="true">–</span>
            </Hero>
            <Fine>
              {result.ok
                ? wanted && !wanted.ok
                  ? problemText(wanted.problem, write)
                  : ''
                : problemText(result.problem, write)}
            </Fine>
          </>
        )}
      </div>
      <Pick
        label="The maker counts from"
        value={String(
          datums.findIndex((datum) => hose.orderDatum !== null && sameDatum(datum, hose.orderDatum)),
        )}
        isDisabled={finished}
        options={[
          ...(hose.orderDatum === null ? [{ value: '-1', text: 'Choose: ask your supplier' }] : []),
          ...datums.map((datum, index) => ({ value: String(index), text: datumName(datum) })),
        ]}
        onChange={(index) => {
          const asked = datums[Number(index)];
          if (asked) sayOfAll({ orderDatum: asked }, unaskedLike(detail, hose));
        }}
      />
      {restsOnAssumed(hose, orderDatum) || readingCautions(detail, hose).length > 0
        ? (['endA', 'endB'] as const).map((end) => (
            <TakeOffs
              key={end}
              name={end === 'endA' ? 'end A' : 'end B'}
              hose={hose}
              end={end}
              isPending={isSending(edit, end)}
              finished={finished}
              onEnd={(next) => edit.mutate({ params, body: { version: hose.version, [end]: next } })}
            />
          ))
        : null}
      {result.ok ? (
        <Rows>
          {datums
            .filter((datum) => !sameDatum(datum, orderDatum))
            .map((datum) => {
              const converted = inDatum(hose, result.value.order_m, datum);
              return converted.ok ? (
                <Spread key={datum.endA + datum.endB}>
                  <Label>
                    {datumName(datum)}
                    {restsOnAssumed(hose, datum) ? ', by assumed take-offs' : ''}
                  </Label>
                  <span>
                    <Figure $size="large">{write.length(converted.value.length_m)}</Figure>{' '}
                    <Working of={`length ${datumName(datum)}`} result={converted} />
                  </span>
                </Spread>
              ) : null;
            })}
          <Spread>
            <Label>slack over the longest pose</Label>
            <Figure $size="large">{write.length(result.value.slack_m)}</Figure>
          </Spread>
        </Rows>
      ) : null}
      {result.ok ? <PoseTable order={result.value} /> : null}
      <HoseRoute route={route} tape_m={tape_m}>
        {route.cornerId === null || finished ? null : (
          <KeepEvidence
            jobId={detail.job.id}
            judgement={{ kind: 'route', hoseId: hose.hoseId, cornerId: route.cornerId }}
          >
            Keep the route’s verdict with the job
          </KeepEvidence>
        )}
      </HoseRoute>
      <DonorSheet hose={hose} order={result.ok ? result.value : null} route={route} />
      <Sheet role="group" aria-label="Checked at the vehicle">
        <SheetTitle>Checked at the vehicle</SheetTitle>
        <Fine>This hose {movementText(movement)}.</Fine>
        {checksFor(movement).map((check) => (
          <Tick
            key={check}
            isSelected={hose.poseChecks[check]}
            isDisabled={finished}
            onChange={(selected) =>
              sayOfAll({ poseChecks: { [check]: selected } }, othersAsked(detail, hose, check, selected))
            }
          >
            {POSE_CHECK_NAMES[check]}
          </Tick>
        ))}
        {detail.hoses.length > 1 ? (
          <Fine>
            Where lever, bars and brackets are, and how the supplier counts, is said once for all hoses.
          </Fine>
        ) : null}
        {movement.travels ? <LiftEntry hose={hose} /> : null}
      </Sheet>
      {result.ok ? (
        <Cautions
          cautions={[...result.cautions, ...readingCautions(detail, hose)]}
          answering={edit.error?.code === 'stop-not-answered'}
        />
      ) : null}
      <SaveProblem save={edit} seen={seen} />
      <ChangedSince
        approval={hose.lengthTaken}
        standing={length}
        title="Changed since this length was taken"
        did="took"
        until="Take it again, as it is now."
      />
      {finished ? null : hose.order_m !== null && length.state !== 'passed' ? (
        <>
          <Fine>{savedText(hose, hose.order_m, write)}</Fine>
          <PrimaryButton
            onPress={() =>
              void navigate(
                nextOpen
                  ? `/jobs/${detail.job.id}/measure?hose=${nextOpen.hoseId}`
                  : `/jobs/${detail.job.id}/specify?hose=${hose.hoseId}`,
              )
            }
          >
            {nextOpen ? 'Go to the next hose' : 'Go to Specify'}
          </PrimaryButton>
        </>
      ) : (
        <PrimaryButton
          isPending={isSending(edit, 'order_m')}
          because={
            !may(person, 'approve')
              ? whoMay('approve')
              : result.ok
                ? null
                : 'There is no length to take yet: see what is missing above.'
          }
          onPress={() => {
            if (result.ok)
              edit.mutate({
                params,
                body: { version: hose.version, order_m: taken_m(result.value), seen: digestOf(seen) },
              });
          }}
        >
          {result.ok && wanted?.ok
            ? `Take ${write.length(wanted.value.length_m)} to Specify`
            : 'Take the length to Specify'}
        </PrimaryButton>
      )}
      {result.ok && hose.order_m === null && stopsAmong(result.cautions).length > 0 ? (
        <Fine>A stop is open. Fix it, or give a reason that is recorded.</Fine>
      ) : null}
    </Stack>
  );
}

/** What was saved, as the supplier counts it and as it lies between the sealing points. */
function savedText(hose: JobHose, order_m: number, write: Writer): string {
  const ordered_m = orderedLength_m(hose);
  const sealing = `${write.length(order_m)} ${datumName(sealingDatum(hose.endA, hose.endB))}`;
  if (ordered_m === null || hose.orderDatum === null || Math.abs(ordered_m - order_m) < 5e-4)
    return `Saved: order ${sealing}.`;
  return `Saved: order ${write.length(ordered_m)} ${datumName(hose.orderDatum)} (${sealing}).`;
}

/** As it is sent: to the micrometre. */
const taken_m = ({ order_m }: { readonly order_m: number }): number => Number(order_m.toFixed(6));
