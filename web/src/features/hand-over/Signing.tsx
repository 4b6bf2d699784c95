/** What the service record says, when the fluid is due again, and the signature. */
import type { JobDetail } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import {
  digestOf,
  openChecks,
  openChecksText,
  signatureFacts,
  signCautions,
  signGate,
} from '@zephyrcombe/workshop';
import { problemText, whoMay } from '@zephyrcombe/messages';
import type { Caution } from '@zephyrcombe/core';
import { judgeBottle, judgeGrade, nextDue, strictestInterval } from '@zephyrcombe/core';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { usePerson, useToday, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { DayField } from '../../design/DayField.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Hero, Label, Spread, Stack } from '../../design/layout.ts';
import { QuantityField, editableText } from '../../quantities/QuantityField.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';
import { Obstacles } from '../job/Obstacles.tsx';
import { FluidFields, Fields } from './FluidFields.tsx';
import { WithoutAbs } from './WithoutAbs.tsx';
import type { SigningDraft } from './signingDraft.ts';
import { fluidOf, isDate, kilometres, missingFrom, signingBody } from './signingDraft.ts';

/** Null while there is no day to count from. */
function dueOf(draft: SigningDraft, { shop, vehicle }: JobDetail) {
  const { makerIntervalMonths, makerIntervalDistance_m } = vehicle;
  const interval = strictestInterval(
    { intervalMonths: shop.fluidIntervalMonths, intervalDistance_m: shop.fluidIntervalDistance_m },
    makerIntervalMonths === null
      ? null
      : { intervalMonths: makerIntervalMonths, intervalDistance_m: makerIntervalDistance_m },
  );
  return isDate(draft.servicedOn)
    ? nextDue(draft.servicedOn, kilometres(draft.distance)?.value_SI ?? null, interval)
    : null;
}

const signingCautions = (draft: SigningDraft, detail: JobDetail): readonly Caution[] => [
  ...signCautions(detail),
  ...detail.circuits.flatMap(({ circuit }) => judgeGrade(circuit.fluidGrade, fluidOf(draft, circuit).grade)),
  ...(isDate(draft.servicedOn) && isDate(draft.bottleOpenedOn)
    ? judgeBottle(draft.bottleOpenedOn, draft.servicedOn)
    : []),
];

export function Signing() {
  const detail = useJob();
  const { job, vehicle, circuits } = detail;
  const write = useWriter();
  const today = useToday();
  const person = usePerson();
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
  const open = openChecksText(openChecks(detail));
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
    <Stack $gap={14}>
      <DueAgain due={dueOf(draft, detail)} />
      <ServiceFields draft={draft} onChange={change} />
      {circuits.map(({ circuit }) => (
        <FluidFields
          key={circuit.id}
          circuit={circuit}
          fluid={fluidOf(draft, circuit)}
          onFluid={(fluid) => change({ fluids: { ...draft.fluids, [circuit.id]: fluid } })}
          isNamed={circuits.length > 1}
        />
      ))}
      <WithoutAbs />
      <Cautions
        cautions={signingCautions(draft, detail)}
        answering={finish.error?.code === 'stop-not-answered'}
      />
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
        because={may(person, 'signOff') ? missingFrom(draft, detail) : whoMay('signOff')}
        onPress={sign}
      >
        Sign off and write the service record
      </PrimaryButton>
      <Fine>This says what was checked and what was not. It does not say that a brake is safe.</Fine>
    </Stack>
  );
}

function DueAgain({ due }: { readonly due: ReturnType<typeof nextDue> | null }) {
  const write = useWriter();
  return (
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
        <Fine>{due && !due.ok ? problemText(due.problem, write) : 'Choose the date of the service.'}</Fine>
      )}
    </div>
  );
}

interface ServiceFieldsProps {
  readonly draft: SigningDraft;
  readonly onChange: (next: Partial<SigningDraft>) => void;
}

function ServiceFields({ draft, onChange }: ServiceFieldsProps) {
  return (
    <Fields>
      <DayField
        label="Serviced on"
        value={draft.servicedOn}
        onChange={(servicedOn) => onChange({ servicedOn })}
      />
      <QuantityField
        label="Distance on the clock"
        kind="distance"
        allowZero
        text={draft.distance}
        onText={(distance) => onChange({ distance })}
      />
      <TextField label="Batch on the bottle" value={draft.batch} onChange={(batch) => onChange({ batch })} />
      <DayField
        label="Bottle opened on"
        value={draft.bottleOpenedOn}
        onChange={(bottleOpenedOn) => onChange({ bottleOpenedOn })}
      />
    </Fields>
  );
}
