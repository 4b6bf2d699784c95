import type { JobHose } from '@zephyrcombe/contract';
import { isClosed, movementOfHose, partsOf } from '@zephyrcombe/contract';
import { AID_NAMES, datumName, problemText } from '@zephyrcombe/messages';
import type { Aid, Pose } from '@zephyrcombe/core';
import { AID_UNCERTAINTY_m, AIDS, sealingDatum, wrapAllowance } from '@zephyrcombe/core';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { Tick } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Fine, Stack } from '../../design/layout.ts';
import { QuantityField } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';
import { HoseDrawing } from './HoseDrawing.tsx';
import { drawnLengths } from './drawnLengths.ts';
import { datumsFor, lastDatum, orderOf, sameDatum } from './measureView.ts';
import type { ReadingDraft } from './readingDraft.ts';
import { afterRecorded, asSent, EMPTY_READING } from './readingDraft.ts';
import { readReading } from './typedReading.ts';
import { WireEntry } from './WireEntry.tsx';

/** Nobody said yet which points the tape joined. */
const UNSAID = -1;

/** Poses in which the wheel hangs. */
const HANGING: readonly Pose[] = ['fullDroop', 'crossedUp'];
/** Where nobody entered the bolt: the usual one. */
const USUAL_BOLT_m = 0.01;

interface ReadingEntryProps {
  readonly hose: JobHose;
  readonly pose: Pose;
}

/** One reading, typed on the dimension line of the hose's drawing. */
export function ReadingEntry({ hose, pose }: ReadingEntryProps) {
  const detail = useJob();
  const write = useWriter();
  const [stored, setDraft] = useDraft<Partial<ReadingDraft>>(
    `reading.${detail.job.id}.${hose.hoseId}.${pose}`,
    EMPTY_READING,
  );
  const draft: ReadingDraft = {
    ...EMPTY_READING,
    ...stored,
    wire: { ...EMPTY_READING.wire, ...stored.wire },
  };
  const take = useJobAction('takeReading', detail.job.id, ({ body }) =>
    setDraft((current) => afterRecorded({ ...EMPTY_READING, ...current }, body?.typed)),
  );
  const finished = isClosed(detail.job);
  const fitted = partsOf(detail).hoses.find((candidate) => candidate.id === hose.hoseId);
  const jointName = (id: string | undefined) =>
    partsOf(detail).joints.find((joint) => joint.id === id)?.name ?? '';
  const bolt_m = (id: string | undefined) =>
    partsOf(detail).joints.find((joint) => joint.id === id)?.bolt?.diameter_m ?? USUAL_BOLT_m;

  const datums = datumsFor(hose);
  const datumIndex = draft.datum ?? lastDatum(detail, hose) ?? UNSAID;
  const hangs = HANGING.includes(pose) && movementOfHose(detail, hose.hoseId).travels;
  const { reading, cautions, missing } = readReading(draft, {
    datum: datums[datumIndex] ?? null,
    hangs,
    endA: hose.endA,
    endB: hose.endB,
    boltA_m: bolt_m(fitted?.fromJointId),
    boltB_m: bolt_m(fitted?.toJointId),
  });
  // A bare number is asked about at its field.
  const doubtful = cautions.filter((one) => one.id !== 'M04' || one.evidence.unit !== null);
  const converted = reading?.converted ?? null;
  const ready = converted?.ok === true;

  const order = orderOf(detail, hose);
  const lengths = order.ok ? drawnLengths(hose, order.value.order_m, write) : [];

  const send = () => {
    if (reading === null || !reading.converted.ok) return;
    const sent = asSent(draft, reading.typed, newId);
    setDraft(sent);
    take.mutate({
      params: { jobId: detail.job.id },
      body: {
        id: sent.id,
        hoseId: hose.hoseId,
        pose,
        length_m: reading.converted.value.length_m,
        typed: reading.typed,
        datum: reading.datum,
        aid: draft.aid,
        uncertainty_m: reading.uncertainty_m,
        remainingTravel_m: reading.remainingTravel_m,
        wrap: reading.wrap,
        tightBends: reading.tightBends,
      },
    });
  };

  if (fitted === undefined) return null;
  return (
    <Stack>
      <HoseDrawing
        length_m={order.ok ? order.value.order_m : 0}
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
          <HowItWasRead hose={hose} draft={draft} datumIndex={datumIndex} hangs={hangs} onDraft={setDraft} />
          <Cautions cautions={doubtful} answering={take.error?.code === 'stop-not-answered'} />
          <SaveProblem save={take} />
          <div>
            <PrimaryButton
              isPending={take.isPending}
              because={ready ? null : 'Enter the reading and how it was taken first.'}
              onPress={send}
            >
              {converted?.ok ? `Record ${write.length(converted.value.length_m)}` : 'Record the reading'}
            </PrimaryButton>
          </div>
          {missing ? <Fine role="status">{missing}</Fine> : null}
          <AsConverted hose={hose} reading={reading} />
        </>
      )}
    </Stack>
  );
}

interface HowItWasReadProps {
  readonly hose: JobHose;
  readonly draft: ReadingDraft;
  readonly datumIndex: number;
  readonly hangs: boolean;
  readonly onDraft: (draft: ReadingDraft) => void;
}

/** Between which points, by which aid and how well, and whether the wheel hung free. */
function HowItWasRead({ hose, draft, datumIndex, hangs, onDraft: setDraft }: HowItWasReadProps) {
  const write = useWriter();
  const datums = datumsFor(hose);
  return (
    <>
      <Beside>
        <Pick
          label="Read from"
          value={String(datumIndex)}
          options={[
            ...(datumIndex === UNSAID
              ? [{ value: String(UNSAID), text: 'Choose: which points did the tape join?' }]
              : []),
            ...datums.map((candidate, index) => ({
              value: String(index),
              text: datumName(candidate),
            })),
          ]}
          onChange={(index) => setDraft({ ...draft, datum: Number(index) })}
        />
        <Pick<Aid>
          label="Laid along the route"
          value={draft.aid}
          options={AIDS.map((aid) => ({ value: aid, text: AID_NAMES[aid] }))}
          onChange={(aid) => setDraft({ ...draft, aid })}
        />
        <QuantityField
          label={`Accuracy ± (${write.length(AID_UNCERTAINTY_m[draft.aid])} if left blank)`}
          kind="length"
          text={draft.uncertainty}
          onText={(uncertainty) => setDraft({ ...draft, uncertainty })}
        />
      </Beside>
      {draft.aid === 'wire' ? (
        <WireEntry
          wire={draft.wire}
          datum={datums[datumIndex] ?? null}
          onWire={(wire) => setDraft({ ...draft, wire })}
        />
      ) : null}
      {hangs ? (
        <Beside>
          <div style={{ paddingTop: 22 }}>
            <Tick isSelected={draft.hangsFree} onChange={(hangsFree) => setDraft({ ...draft, hangsFree })}>
              Wheel clear of the floor, hanging free
            </Tick>
          </div>
          {draft.hangsFree ? null : (
            <QuantityField
              label="Travel left"
              kind="length"
              allowZero
              text={draft.travel}
              onText={(travel) => setDraft({ ...draft, travel })}
            />
          )}
        </Beside>
      ) : null}
    </>
  );
}

interface AsConvertedProps {
  readonly hose: JobHose;
  readonly reading: ReturnType<typeof readReading>['reading'];
}

/** The reading between the sealing points, where it was read between others; what of a wire is off. */
function AsConverted({ hose, reading }: AsConvertedProps) {
  const write = useWriter();
  const converted = reading?.converted ?? null;
  return (
    <>
      {reading && converted?.ok && !sameDatum(reading.datum, sealingDatum(hose.endA, hose.endB)) ? (
        <Fine>
          {reading.typed} {datumName(reading.datum)} is {write.length(converted.value.length_m)}{' '}
          {datumName(sealingDatum(hose.endA, hose.endB))}.{' '}
          <Working of="converted reading" result={converted} />
        </Fine>
      ) : null}
      {reading?.wrap ? (
        <Fine>
          {write.length(wrapAllowance(reading.wrap).allowance_m)} of the wire lie round the bolts and are off.
        </Fine>
      ) : null}
    </>
  );
}
