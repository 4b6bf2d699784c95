/** Final checks, the fluid record with its next due, the signature. */
import { capsOfJob, may, partsOf } from '@zephyrcombe/contract';
import {
  digestOf,
  isDry,
  isTorqued,
  leftOn,
  openChecks,
  openChecksText,
  progressOf,
  signatureFacts,
  signGate,
} from '@zephyrcombe/workshop';
import { handoverNames, problemText, STAGE_NAMES, vehicleWords, whoMay } from '@zephyrcombe/messages';
import type { HandoverCheck } from '@zephyrcombe/core';
import { handoverChecks, judgeBottle, judgeGrade, nextDue, strictestInterval } from '@zephyrcombe/core';
import { Link } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { usePerson, useToday, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { DayField } from '../../design/DayField.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Columns, Fine, Hero, Label, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { QuantityField, editableText } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';
import { jointsInOrder } from '../job/jobView.ts';
import { Obstacles } from '../job/Obstacles.tsx';
import { FluidFields, Fields } from './FluidFields.tsx';
import { Reasons } from './Reasons.tsx';
import { SignedOff } from './SignedOff.tsx';
import type { SigningDraft } from './signingDraft.ts';
import { fluidOf, isDate, kilometres, missingFrom, signingBody } from './signingDraft.ts';

export function HandOverPage() {
  const detail = useJob();
  const services = detail.circuits.flatMap(({ service }) => service ?? []);
  if (services.length > 0) return <SignedOff services={services} />;
  return detail.job.abandoned ? <Fine>Nothing was handed over.</Fine> : <OpenHandOver />;
}

function OpenHandOver() {
  const detail = useJob();
  const { job, vehicle, shop, circuits } = detail;
  const write = useWriter();
  const today = useToday();
  const person = usePerson();
  const edit = useJobAction('editJob', job.id);
  const editJoint = useJobAction('editJobJoint', job.id);
  const [draft, setDraft, clear] = useDraft<SigningDraft>(`signing.${job.id}`, {
    servicedOn: today,
    distance: vehicle.distance_m === null ? '' : editableText(vehicle.distance_m, write.units.distance),
    batch: '',
    bottleOpenedOn: '',
    signature: '',
    fluids: {},
    ids: {},
  });
  const finish = useJobAction('finishJob', job.id, clear);
  // What was refused is refused no longer once something is changed.
  const change = (next: Partial<SigningDraft>) => {
    if (finish.isError) finish.reset();
    setDraft({ ...draft, ...next });
  };
  const { stages, done } = progressOf(detail);
  const missing = stages.find((stage) => stage !== 'hand-over' && !done.includes(stage));
  const interval = strictestInterval(
    { intervalMonths: shop.fluidIntervalMonths, intervalDistance_m: shop.fluidIntervalDistance_m },
    vehicle.makerIntervalMonths === null
      ? null
      : { intervalMonths: vehicle.makerIntervalMonths, intervalDistance_m: vehicle.makerIntervalDistance_m },
  );
  const validDate = isDate(draft.servicedOn);
  const due = validDate
    ? nextDue(draft.servicedOn, kilometres(draft.distance)?.value_SI ?? null, interval)
    : null;
  const words = vehicleWords(vehicle, partsOf(detail));
  const names = handoverNames(words);
  const open = openChecksText(openChecks(detail));
  const cautions = [
    ...leftOn(detail),
    ...capsOfJob(detail),
    ...circuits.flatMap(({ circuit }) => judgeGrade(circuit.fluidGrade, fluidOf(draft, circuit).grade)),
    ...(validDate && isDate(draft.bottleOpenedOn) ? judgeBottle(draft.bottleOpenedOn, draft.servicedOn) : []),
  ];
  const tick = (check: HandoverCheck, selected: boolean) =>
    edit.mutate({
      params: { jobId: job.id },
      body: { version: job.version, handoverChecks: { [check]: selected } },
    });
  const incomplete = missingFrom(draft, detail);
  const seen = signatureFacts(detail);

  const sign = () => {
    const ids = Object.fromEntries(
      circuits.map(({ circuit }) => [circuit.id, draft.ids[circuit.id] ?? newId()]),
    );
    setDraft({ ...draft, ids });
    finish.mutate({
      params: { jobId: job.id },
      body: { ...signingBody({ ...draft, ids }, detail), seen: digestOf(seen) },
    });
  };

  return (
    <Columns $right="430px">
      <Stack $gap={16}>
        {missing === undefined ? null : (
          <Notice severity="warn" title="Not ready to sign off">
            <Link to={`/jobs/${job.id}/${missing}`}>Go to {STAGE_NAMES[missing]}</Link>
          </Notice>
        )}
        {detail.joints.length === 0 ? null : (
          <Sheet>
            <SheetTitle>Each joint wiped clean, full pressure held, still dry</SheetTitle>
            {jointsInOrder(detail).map(({ joint, chosen }) => (
              <Tick
                key={joint.id}
                isSelected={isDry(detail, joint.id)}
                isDisabled={!isTorqued(detail, joint.id)}
                onChange={(leakChecked) =>
                  editJoint.mutate({
                    params: { jobId: job.id, jointId: joint.id },
                    body: { version: chosen.version, leakChecked },
                  })
                }
              >
                {joint.name} dry{isTorqued(detail, joint.id) ? '' : ' (not torqued yet)'}
              </Tick>
            ))}
            <SaveProblem save={editJoint} />
          </Sheet>
        )}
        <Sheet>
          <SheetTitle>Before it leaves the bench</SheetTitle>
          {handoverChecks({ hasJoints: detail.joints.length > 0 }).map((check) => (
            <Tick
              key={check}
              isSelected={job.handoverChecks[check] === true}
              onChange={(selected) => tick(check, selected)}
            >
              {names[check]}
            </Tick>
          ))}
          <SaveProblem save={edit} />
        </Sheet>
        {detail.reasons.length === 0 ? null : (
          <Sheet>
            <SheetTitle>Stops that were answered</SheetTitle>
            <Reasons reasons={detail.reasons} />
          </Sheet>
        )}
        <Notice severity="note" title={`For the first ${words.outing}`}>
          <p>
            Pump the {words.control} firm before moving. First stops slow and gentle; new pads are bedded in.
            Look at every joint again after the first {words.outing} and the next day.
          </p>
        </Notice>
      </Stack>
      <Stack $gap={14}>
        <div>
          <Label>Fluid due again</Label>
          {due?.ok ? (
            <>
              <Hero>
                <span style={{ fontSize: 27 }}>{write.date(due.value.dueOn)}</span>
              </Hero>
              <Spread>
                <Fine>
                  {due.value.dueDistance_m === null
                    ? 'by date alone'
                    : `or at ${write.distance(due.value.dueDistance_m)}, whichever comes first`}
                </Fine>
                <Working of="next due" result={due} />
              </Spread>
            </>
          ) : (
            <Fine>
              {due && !due.ok ? problemText(due.problem, write) : 'Choose the date of the service.'}
            </Fine>
          )}
        </div>
        <Fields>
          <DayField
            label="Serviced on"
            value={draft.servicedOn}
            onChange={(servicedOn) => change({ servicedOn })}
          />
          <QuantityField
            label="Distance on the clock"
            kind="distance"
            allowZero
            text={draft.distance}
            onText={(next) => change({ distance: next })}
          />
          <TextField
            label="Batch on the bottle"
            value={draft.batch}
            onChange={(batch) => change({ batch })}
          />
          <DayField
            label="Bottle opened on"
            value={draft.bottleOpenedOn}
            onChange={(bottleOpenedOn) => change({ bottleOpenedOn })}
          />
        </Fields>
        {circuits.map(({ circuit }) => (
          <FluidFields
            key={circuit.id}
            circuit={circuit}
            fluid={fluidOf(draft, circuit)}
            onFluid={(fluid) => change({ fluids: { ...draft.fluids, [circuit.id]: fluid } })}
            isNamed={circuits.length > 1}
          />
        ))}
        <Cautions cautions={cautions} answering={finish.error?.code === 'stop-not-answered'} />
        <TextField
          label={`Signature: type your name, ${person.name}`}
          value={draft.signature}
          onChange={(signature) => change({ signature })}
        />
        {open === null ? null : <Fine>{open}</Fine>}
        <Obstacles obstacles={signGate(detail)} />
        <SaveProblem save={finish} seen={seen} />
        <PrimaryButton
          isPending={finish.isPending}
          because={may(person, 'signOff') ? incomplete : whoMay('signOff')}
          onPress={sign}
        >
          Sign off and write the service record
        </PrimaryButton>
        <Fine>This says what was checked and what was not. It does not say that a brake is safe.</Fine>
      </Stack>
    </Columns>
  );
}
