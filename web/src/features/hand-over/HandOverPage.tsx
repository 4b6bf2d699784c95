/** Final checks, the fluid record with its next due, the signature. */
import {
  FLUID_GRADES,
  HANDOVER_CHECKS,
  judgeBottle,
  judgeGrade,
  nextDue,
  strictestInterval,
} from '@zephyrcombe/core';
import type { FluidGrade, HandoverCheck } from '@zephyrcombe/core';
import type { FluidService } from '@zephyrcombe/contract';
import {
  capsOfJob,
  handoverNames,
  may,
  openChecks,
  openChecksText,
  OUTFLOW_NAMES,
  problemText,
  vehicleWords,
  whoMay,
} from '@zephyrcombe/contract';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { usePerson, useToday, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { Pick, TextField, Tick } from '../../design/fields.tsx';
import { Columns, Fine, Hero, Label, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { QuantityField, editableText, readQuantity } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';
import { isTorqued, jointsInOrder, progressOf } from '../job/jobView.ts';
import { signGate } from '@zephyrcombe/workshop';
import { Obstacles } from '../job/Obstacles.tsx';

const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  gap: 12px 16px;
  align-items: start;
`;

/** Ticks of their own: the joints are wiped one by one above, and the level check carries its own caution. */
const COLOURS = ['blackTea', 'tea', 'honey', 'straw'] as const;

export function HandOverPage() {
  const detail = useJob();
  if (detail.fluidService) return <SignedOff service={detail.fluidService} />;
  return detail.job.abandoned ? <Fine>Nothing was handed over.</Fine> : <OpenHandOver />;
}

interface ServiceDraft {
  readonly servicedOn: string;
  readonly distance: string;
  readonly grade: FluidGrade;
  readonly batch: string;
  readonly bottleOpenedOn: string;
  readonly quantity: string;
  readonly colour: '' | (typeof COLOURS)[number];
  readonly water: string;
  readonly signature: string;
  readonly serviceId: string;
}

function OpenHandOver() {
  const detail = useJob();
  const { job, vehicle, shop, circuit } = detail;
  const write = useWriter();
  const today = useToday();
  const person = usePerson();
  const edit = useJobAction('editJob', job.id);
  const editJoint = useJobAction('editJobJoint', job.id);
  const [draft, setDraft, clear] = useDraft<ServiceDraft>(`hand-over.${job.id}`, {
    servicedOn: today,
    distance: vehicle.distance_m === null ? '' : editableText(vehicle.distance_m, write.units.distance),
    grade: circuit.fluidGrade,
    batch: '',
    bottleOpenedOn: '',
    quantity: '',
    colour: '',
    water: '',
    signature: '',
    serviceId: '',
  });
  const finish = useJobAction('finishJob', job.id, clear);
  // What was refused is refused no longer once something is changed.
  const change = (next: Partial<ServiceDraft>) => {
    if (finish.isError) finish.reset();
    setDraft({ ...draft, ...next });
  };
  const done = progressOf(detail).done;
  const distance = readQuantity(draft.distance, 'distance', true).quantity;
  const quantity = readQuantity(draft.quantity, 'volume').quantity;
  const water = readQuantity(draft.water, 'fraction', true).quantity;
  const interval = strictestInterval(
    { intervalMonths: shop.fluidIntervalMonths, intervalDistance_m: shop.fluidIntervalDistance_m },
    vehicle.makerIntervalMonths === null
      ? null
      : { intervalMonths: vehicle.makerIntervalMonths, intervalDistance_m: vehicle.makerIntervalDistance_m },
  );
  const validDate = /^\d{4}-\d\d-\d\d$/.test(draft.servicedOn);
  const due = validDate ? nextDue(draft.servicedOn, distance?.value_SI ?? null, interval) : null;
  const words = vehicleWords(vehicle, circuit);
  const names = handoverNames(words);
  const open = openChecksText(openChecks(detail));
  const cautions = [
    ...capsOfJob(detail),
    ...judgeGrade(circuit.fluidGrade, draft.grade),
    ...(validDate && /^\d{4}-\d\d-\d\d$/.test(draft.bottleOpenedOn)
      ? judgeBottle(draft.bottleOpenedOn, draft.servicedOn)
      : []),
  ];
  const tick = (check: HandoverCheck, selected: boolean) =>
    edit.mutate({
      params: { jobId: job.id },
      body: { version: job.version, handoverChecks: { [check]: selected } },
    });
  const typedButWrong = (text: string, value: unknown) => text.trim() !== '' && value === null;
  const incomplete = !validDate
    ? 'Choose the date of the service.'
    : typedButWrong(draft.distance, distance) ||
        typedButWrong(draft.quantity, quantity) ||
        typedButWrong(draft.water, water)
      ? 'A figure above cannot be read yet.'
      : draft.signature.trim() === ''
        ? 'Type your name to sign.'
        : null;

  const sign = () => {
    const serviceId = draft.serviceId === '' ? newId() : draft.serviceId;
    setDraft({ ...draft, serviceId });
    finish.mutate({
      params: { jobId: job.id },
      body: {
        version: job.version,
        serviceId,
        servicedOn: draft.servicedOn,
        distance_m: distance?.value_SI ?? null,
        distanceTyped: draft.distance,
        grade: draft.grade,
        batch: draft.batch.trim(),
        bottleOpenedOn: draft.bottleOpenedOn === '' ? null : draft.bottleOpenedOn,
        quantity_m3: quantity?.value_SI ?? null,
        oldColour: draft.colour === '' ? null : draft.colour,
        oldWaterFraction: water?.value_SI ?? null,
        signature: draft.signature.trim(),
        overrides: [],
      },
    });
  };

  return (
    <Columns $right="430px">
      <Stack $gap={16}>
        {done.includes('fit') && done.includes('bleed') ? null : (
          <Notice severity="warn" title="Not ready to sign off">
            <p>
              {done.includes('fit') ? 'A nipple has not run clear yet: ' : 'A joint is not torqued yet: '}
            </p>
            <Link to={`/jobs/${job.id}/${done.includes('fit') ? 'bleed' : 'fit'}`}>
              {done.includes('fit') ? 'go to Bleed' : 'go to Fit'}
            </Link>
          </Notice>
        )}
        <Sheet>
          <SheetTitle>Each joint wiped clean, full pressure held, still dry</SheetTitle>
          {jointsInOrder(detail).map(({ joint, chosen }) => (
            <Tick
              key={joint.id}
              isSelected={chosen.leakChecked}
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
        <Sheet>
          <SheetTitle>Before it leaves the bench</SheetTitle>
          {HANDOVER_CHECKS.map((check) => (
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
          <TextField
            label="Serviced on"
            type="date"
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
          <Pick<FluidGrade>
            label={`Fluid (cap: ${circuit.fluidGrade})`}
            value={draft.grade}
            options={FLUID_GRADES.map((grade) => ({ value: grade, text: grade }))}
            onChange={(grade) => change({ grade })}
          />
          <TextField
            label="Batch on the bottle"
            value={draft.batch}
            onChange={(batch) => change({ batch })}
          />
          <TextField
            label="Bottle opened on"
            type="date"
            value={draft.bottleOpenedOn}
            onChange={(bottleOpenedOn) => change({ bottleOpenedOn })}
          />
          <QuantityField
            label="Quantity used"
            kind="volume"
            placeholder="e.g. 350 mL"
            text={draft.quantity}
            onText={(next) => change({ quantity: next })}
          />
          <Pick
            label="Old fluid’s colour"
            value={draft.colour}
            options={[
              { value: '', text: 'not noted' },
              ...COLOURS.map((shade) => ({ value: shade, text: OUTFLOW_NAMES[shade] })),
            ]}
            onChange={(shade) => change({ colour: shade })}
          />
          <QuantityField
            label="Old fluid’s water"
            kind="fraction"
            allowZero
            placeholder="e.g. 2 %"
            text={draft.water}
            onText={(next) => change({ water: next })}
          />
        </Fields>
        <Cautions cautions={cautions} answering={finish.error?.code === 'stop-not-answered'} />
        <TextField
          label={`Signature: type your name, ${person.name}`}
          value={draft.signature}
          onChange={(signature) => change({ signature })}
        />
        {open === null ? null : <Fine>{open}</Fine>}
        <Obstacles obstacles={signGate(detail)} />
        <SaveProblem save={finish} />
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

function SignedOff({ service }: { readonly service: FluidService }) {
  const { job } = useJob();
  const write = useWriter();
  const due = nextDue(service.servicedOn, service.distance_m, service);
  return (
    <Columns>
      <Sheet>
        <SheetTitle>Service record</SheetTitle>
        <Rows>
          {serviceRows(service, write).map(([label, value]) => (
            <Spread key={label}>
              <Label>{label}</Label>
              <span>{value}</span>
            </Spread>
          ))}
        </Rows>
      </Sheet>
      <Stack>
        <div>
          <Label>Fluid due again</Label>
          <Hero>
            <span style={{ fontSize: 27 }}>{write.date(service.dueOn)}</span>
          </Hero>
          <Spread>
            <Fine>
              {service.dueDistance_m === null
                ? 'by date alone'
                : `or at ${write.distance(service.dueDistance_m)}, whichever comes first`}
            </Fine>
            {due.ok ? <Working of="next due" result={due} /> : null}
          </Spread>
        </div>
        <Notice severity="note" title={`Signed off by ${job.signedBy ?? service.by}`}>
          <p>{write.date(job.finishedOn ?? service.servicedOn)}. A signed record is not changed.</p>
        </Notice>
        <Link to={`/jobs/${job.id}/handover-sheet`}>Handover sheet to print</Link>
        <Link to={`/jobs/${job.id}/log`}>The job’s log</Link>
      </Stack>
    </Columns>
  );
}

/** The service record as label and value, for screen and paper. */
export function serviceRows(
  service: FluidService,
  write: ReturnType<typeof useWriter>,
): readonly (readonly [string, string])[] {
  return [
    ['Serviced on', write.date(service.servicedOn)],
    ['Circuit', service.circuitName],
    ['Distance', service.distance_m === null ? 'not recorded' : write.distance(service.distance_m)],
    ['Fluid', `${service.grade}, batch ${service.batch === '' ? 'not recorded' : service.batch}`],
    ['Bottle opened', service.bottleOpenedOn === null ? 'not recorded' : write.date(service.bottleOpenedOn)],
    ['Quantity', service.quantity_m3 === null ? 'not recorded' : write.volume(service.quantity_m3)],
    [
      'Old fluid',
      [
        service.oldColour ? OUTFLOW_NAMES[service.oldColour] : 'colour not noted',
        service.oldWaterFraction === null
          ? 'water not measured'
          : `${write.fraction(service.oldWaterFraction)} water`,
      ].join(', '),
    ],
    [
      'Interval',
      `${service.intervalMonths} months${service.intervalDistance_m === null ? '' : ` or ${write.distance(service.intervalDistance_m)}`}`,
    ],
    ['Done by', service.by],
  ];
}
