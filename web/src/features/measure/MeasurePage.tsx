/** Tape readings typed onto the hose's own drawing; the length to order with all that speaks for and against it. */
import type { JobHose } from '@zephyrcombe/contract';
import { datumName, POSE_NAMES, problemText } from '@zephyrcombe/contract';
import type { Pose } from '@zephyrcombe/core';
import { POSES, stopsAmong } from '@zephyrcombe/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, Pick, Tick } from '../../design/fields.tsx';
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
import { HosePicker } from '../job/HosePicker.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import { selectedHose } from '../job/jobView.ts';
import { DonorSheet } from './DonorSheet.tsx';
import { HoseRoute } from '../route/HoseRoute.tsx';
import { datumsFor, inDatum, liveReadings, orderOf, sameDatum } from './measureView.ts';
import { ReadingEntry } from './ReadingEntry.tsx';
import { ReadingList } from './ReadingList.tsx';

export function MeasurePage() {
  const detail = useJob();
  const { hoseId, jointId } = useSelection();
  const hose = selectedHose(detail, hoseId, jointId);
  const [pose, setPose] = useState<Pose>('fullDroop');
  if (hose === null) return <Fine>No hose is in the scope of this job.</Fine>;
  const count = (candidate: Pose) =>
    liveReadings(detail, hose.hoseId).filter((reading) => reading.pose === candidate).length;
  return (
    <Columns>
      <Stack $gap={16}>
        <Sheet>
          <Stack $gap={14}>
            <HosePicker current={hose} isDone={(candidate) => candidate.order_m !== null} />
            <ChoiceRow<Pose>
              label="Pose the reading is taken in"
              value={pose}
              options={POSES.map((candidate) => ({
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
      </Stack>
      <OrderColumn key={hose.hoseId} hose={hose} />
    </Columns>
  );
}

const CHECKS = [
  ['controlsFinal', 'Lever and bars set where the rider wants them, brackets in place'],
  ['leftLock', 'Left lock: no pull, no pinch'],
  ['rightLock', 'Right lock: no pull, no pinch'],
  ['fullBump', 'Full bump: the spare loop stays clear of tyre, spokes and exhaust'],
] as const;

function OrderColumn({ hose }: { readonly hose: JobHose }) {
  const detail = useJob();
  const write = useWriter();
  const navigate = useNavigate();
  const edit = useJobAction('editJobHose', detail.job.id);
  const params = { jobId: detail.job.id, hoseId: hose.hoseId };
  const finished = detail.job.status === 'finished';
  const name = detail.circuit.hoses.find((candidate) => candidate.id === hose.hoseId)?.name ?? 'Hose';
  const result = orderOf(detail, hose);
  const datums = datumsFor(hose);
  const wanted = result.ok ? inDatum(hose, result.value.order_m, hose.orderDatum) : null;
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
              <Fine>{datumName(hose.orderDatum)}</Fine>
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
          Math.max(
            0,
            datums.findIndex((datum) => sameDatum(datum, hose.orderDatum)),
          ),
        )}
        isDisabled={finished}
        options={datums.map((datum, index) => ({ value: String(index), text: datumName(datum) }))}
        onChange={(index) => {
          const orderDatum = datums[Number(index)];
          if (orderDatum) edit.mutate({ params, body: { version: hose.version, orderDatum } });
        }}
      />
      {result.ok ? (
        <Rows>
          {datums
            .filter((datum) => !sameDatum(datum, hose.orderDatum))
            .map((datum) => {
              const converted = inDatum(hose, result.value.order_m, datum);
              return converted.ok ? (
                <Spread key={datum.endA + datum.endB}>
                  <Label>{datumName(datum)}</Label>
                  <span>
                    <Figure $size="large">{write.length(converted.value.length_m)}</Figure>{' '}
                    <Working of={`length ${datumName(datum)}`} result={converted} />
                  </span>
                </Spread>
              ) : null;
            })}
          <Spread>
            <Label>longest pose, {POSE_NAMES[result.value.decidingPose].toLowerCase()}</Label>
            <Figure $size="large">
              {write.length(result.value.longest_m)} ±{write.length(result.value.uncertainty_m)}
            </Figure>
          </Spread>
          <Spread>
            <Label>slack over it, shop’s way</Label>
            <Figure $size="large">{write.length(result.value.slack_m)}</Figure>
          </Spread>
        </Rows>
      ) : null}
      <HoseRoute
        vehicleId={detail.job.vehicleId}
        hoseId={hose.hoseId}
        order_m={result.ok ? result.value.order_m : null}
      >
        {(window) => (
          <DonorSheet
            hose={hose}
            needed_m={result.ok ? result.value.order_m : null}
            longest_m={window?.long_m ?? null}
          />
        )}
      </HoseRoute>
      <Sheet role="group" aria-label="Checked at the vehicle">
        <SheetTitle>Checked at the vehicle</SheetTitle>
        {CHECKS.map(([check, text]) => (
          <Tick
            key={check}
            isSelected={hose.poseChecks[check]}
            isDisabled={finished}
            onChange={(selected) =>
              edit.mutate({
                params,
                body: { version: hose.version, poseChecks: { [check]: selected } },
              })
            }
          >
            {text}
          </Tick>
        ))}
      </Sheet>
      {result.ok ? (
        <Cautions cautions={result.cautions} answering={edit.error?.code === 'stop-not-answered'} />
      ) : null}
      <SaveProblem save={edit} />
      {finished ? null : hose.order_m !== null ? (
        <>
          <Fine>Taken: {write.length(hose.order_m)} between the sealing points.</Fine>
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
          isDisabled={!result.ok || edit.isPending}
          onPress={() => {
            if (result.ok)
              edit.mutate({
                params,
                body: { version: hose.version, order_m: Number(result.value.order_m.toFixed(6)) },
              });
          }}
        >
          {result.ok && wanted?.ok
            ? `Take ${write.length(wanted.value.length_m)} to Specify`
            : 'Take the length to Specify'}
        </PrimaryButton>
      )}
      {result.ok && hose.order_m === null && stopsAmong(result.cautions).length > 0 ? (
        <Fine>A stop is open. Cure it, or give a reason that is recorded.</Fine>
      ) : null}
    </Stack>
  );
}
