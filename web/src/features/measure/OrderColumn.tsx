/** The length to order, with all that speaks for and against it. */
import type { JobHose } from '@zephyrcombe/contract';
import {
  isClosed,
  may,
  movementOfHose,
  orderDatumOf,
  orderedLength_m,
  partsOf,
  readingCautions,
} from '@zephyrcombe/contract';
import type { Facts } from '@zephyrcombe/workshop';
import { digestOf, lengthFacts, lengthStanding } from '@zephyrcombe/workshop';
import type { Writer } from '@zephyrcombe/messages';
import { datumName, POSE_CHECK_NAMES, problemText, whoMay } from '@zephyrcombe/messages';
import type { HoseMovement } from '@zephyrcombe/core';
import { checksFor, sealingDatum, stopsAmong } from '@zephyrcombe/core';
import { useNavigate } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { TakeOffs } from '../known/TakeOffs.tsx';
import { isSending } from '../../api/isSending.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Figure, Fine, Hero, Label, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { ChangedSince } from '../job/ChangedSince.tsx';
import { KeepEvidence } from '../job/KeepEvidence.tsx';
import { useJob } from '../job/JobContext.ts';
import { DonorSheet } from './DonorSheet.tsx';
import { agreedShort_m, HoseRoute, useKeptRoute } from '../route/job/HoseRoute.tsx';
import { LiftEntry } from './LiftEntry.tsx';
import { datumsFor, inDatum, orderOf, restsOnAssumed, sameDatum } from './measureView.ts';
import { PoseTable } from './PoseTable.tsx';
import type { SaidOfHose } from './saidOnce.ts';
import { othersAsked, unaskedLike } from './saidOnce.ts';

/** What this vehicle does to the hose, in one line. */
const movementText = ({ steers, travels, solidAxle }: HoseMovement): string =>
  [
    ...(steers ? ['turns with the steering'] : []),
    ...(travels ? ['follows the suspension'] : []),
    ...(solidAxle ? ['crosses up with its axle'] : []),
  ].join(', ') || 'stands still';

type Order = ReturnType<typeof orderOf>;
type Edit = ReturnType<typeof useEditHose>;
const useEditHose = (jobId: string) => useJobAction('editJobHose', jobId);

export function OrderColumn({ hose }: { readonly hose: JobHose }) {
  const detail = useJob();
  const edit = useEditHose(detail.job.id);
  const finished = isClosed(detail.job);
  const route = useKeptRoute(detail.job.vehicleId, hose.hoseId, detail.job.id);
  const byTape = orderOf(detail, hose);
  const tape_m = byTape.ok ? byTape.value.order_m : null;
  const order = orderOf(detail, hose, agreedShort_m(route, tape_m));
  const seen = lengthFacts(detail, { ...hose, order_m: order.ok ? taken_m(order.value) : null });
  /** What is one thing for the whole job is said of the hose at hand first, then of the others. */
  const sayOfAll: SayOfAll = (said, others) => {
    for (const { hoseId, version } of [hose, ...others])
      edit.mutate({ params: { jobId: detail.job.id, hoseId }, body: { version, ...said } });
  };
  return (
    <Stack $gap={14}>
      <LengthToOrder hose={hose} order={order} />
      <CountedFrom hose={hose} edit={edit} sayOfAll={sayOfAll} finished={finished} />
      {order.ok ? <OtherWays hose={hose} order={order.value} /> : null}
      {order.ok ? <PoseTable order={order.value} /> : null}
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
      <DonorSheet hose={hose} order={order.ok ? order.value : null} route={route} />
      <CheckedAtVehicle hose={hose} sayOfAll={sayOfAll} finished={finished} />
      {order.ok ? (
        <Cautions
          cautions={[...order.cautions, ...readingCautions(detail, hose)]}
          answering={edit.error?.code === 'stop-not-answered'}
        />
      ) : null}
      <SaveProblem save={edit} seen={seen} />
      <ChangedSince
        approval={hose.lengthTaken}
        standing={lengthStanding(detail, hose)}
        title="Changed since this length was taken"
        did="took"
        until="Take it again, as it is now."
      />
      {finished ? null : <TakeLength hose={hose} order={order} edit={edit} seen={seen} />}
      {order.ok && hose.order_m === null && stopsAmong(order.cautions).length > 0 ? (
        <Fine>A stop is open. Fix it, or give a reason that is recorded.</Fine>
      ) : null}
    </Stack>
  );
}

interface OfOrder {
  readonly hose: JobHose;
  readonly order: Order;
}

/** Null while there is no length; a problem where it cannot be said as the maker counts. */
const asOrdered = (hose: JobHose, order: Order) =>
  order.ok ? inDatum(hose, order.value.order_m, orderDatumOf(hose)) : null;

function LengthToOrder({ hose, order }: OfOrder) {
  const detail = useJob();
  const write = useWriter();
  const name = partsOf(detail).hoses.find(({ id }) => id === hose.hoseId)?.name ?? 'Hose';
  const wanted = asOrdered(hose, order);
  const refused = !order.ok ? order.problem : wanted && !wanted.ok ? wanted.problem : null;
  return (
    <div>
      <Label>{name}: order</Label>
      {order.ok && wanted?.ok ? (
        <>
          <Hero data-testid="order-length">{write.length(wanted.value.length_m)}</Hero>
          <Spread>
            <Fine>{datumName(orderDatumOf(hose))}</Fine>
            <Working
              of="order length"
              result={{
                ...order,
                working: [...order.working, ...wanted.working],
                sources: [...new Set([...order.sources, ...wanted.sources])],
              }}
            />
          </Spread>
        </>
      ) : (
        <>
          <Hero>
            <span aria-hidden="true">–</span>
          </Hero>
          <Fine>{refused === null ? '' : problemText(refused, write)}</Fine>
        </>
      )}
    </div>
  );
}

type SayOfAll = (said: SaidOfHose, others: readonly JobHose[]) => void;
interface Saying {
  readonly hose: JobHose;
  readonly sayOfAll: SayOfAll;
  readonly finished: boolean;
}

/** Between which points the supplier counts, and the ends' take-offs where the length rests on them. */
function CountedFrom({ hose, sayOfAll, finished, edit }: Saying & { readonly edit: Edit }) {
  const detail = useJob();
  const datums = datumsFor(hose);
  const restsOnEnds = restsOnAssumed(hose, orderDatumOf(hose)) || readingCautions(detail, hose).length > 0;
  return (
    <>
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
      {restsOnEnds
        ? (['endA', 'endB'] as const).map((end) => (
            <TakeOffs
              key={end}
              name={end === 'endA' ? 'end A' : 'end B'}
              hose={hose}
              end={end}
              isPending={isSending(edit, end)}
              finished={finished}
              onEnd={(next) =>
                edit.mutate({
                  params: { jobId: detail.job.id, hoseId: hose.hoseId },
                  body: { version: hose.version, [end]: next },
                })
              }
            />
          ))
        : null}
    </>
  );
}

/** The same length between other points, and its slack. */
function OtherWays({
  hose,
  order: { order_m, slack_m },
}: {
  readonly hose: JobHose;
  readonly order: { readonly order_m: number; readonly slack_m: number };
}) {
  const write = useWriter();
  const others = datumsFor(hose).filter((datum) => !sameDatum(datum, orderDatumOf(hose)));
  return (
    <Rows>
      {others.map((datum) => {
        const converted = inDatum(hose, order_m, datum);
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
        <Figure $size="large">{write.length(slack_m)}</Figure>
      </Spread>
    </Rows>
  );
}

function CheckedAtVehicle({ hose, sayOfAll, finished }: Saying) {
  const detail = useJob();
  const movement = movementOfHose(detail, hose.hoseId);
  return (
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
  );
}

function TakeLength({ hose, order, edit, seen }: OfOrder & { readonly edit: Edit; readonly seen: Facts }) {
  const detail = useJob();
  const write = useWriter();
  const person = usePerson();
  const navigate = useNavigate();
  const wanted = asOrdered(hose, order);
  if (hose.order_m !== null && lengthStanding(detail, hose).state !== 'passed') {
    const nextOpen = detail.hoses.find(
      (candidate) => candidate.order_m === null && candidate.hoseId !== hose.hoseId,
    );
    return (
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
    );
  }
  return (
    <PrimaryButton
      isPending={isSending(edit, 'order_m')}
      because={
        !may(person, 'approve')
          ? whoMay('approve')
          : order.ok
            ? null
            : 'There is no length to take yet: see what is missing above.'
      }
      onPress={() => {
        if (order.ok)
          edit.mutate({
            params: { jobId: detail.job.id, hoseId: hose.hoseId },
            body: { version: hose.version, order_m: taken_m(order.value), seen: digestOf(seen) },
          });
      }}
    >
      {order.ok && wanted?.ok
        ? `Take ${write.length(wanted.value.length_m)} to Specify`
        : 'Take the length to Specify'}
    </PrimaryButton>
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
