/** How the lever feels: pulls read before the work and after it, against what hoses, fluid and pads explain. */
import type { Circuit, LeverPull } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { problemText, vehicleWords } from '@zephyrcombe/messages';
import type { ReadPull } from '@zephyrcombe/workshop';
import {
  airByPulls,
  expectedFor,
  factOf,
  feelCautions,
  isBeforeWork,
  readPulls,
} from '@zephyrcombe/workshop';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Beside, Figure, Fine, Label, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { Working } from '../../quantities/Working.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';

type With = LeverPull['by']['with'];
const EMPTY = {
  when: null as LeverPull['when'] | null,
  with: 'gauge' as With,
  pressure_Pa: null as number | null,
  force: '',
  travel_m: null as number | null,
};
const WHEN = [
  { value: 'before', text: 'before the work' },
  { value: 'after', text: 'now' },
] as const;
const BY = [
  { value: 'gauge', text: 'gauge in the line' },
  { value: 'balance', text: 'spring balance' },
] as const;

/** Newtons as typed, with either comma; null where it is none. */
const newtons = (text: string): number | null => {
  const force = Number(text.replace(',', '.').replace(/\s*N$/i, ''));
  return text.trim() !== '' && force > 0 && force <= 3000 ? force : null;
};

export function FeelSheet({ circuit }: { readonly circuit: Circuit }) {
  const detail = useJob();
  const write = useWriter();
  const { job } = detail;
  const { control } = vehicleWords(detail.vehicle, circuit);
  const say = useJobAction('sayFitFact', job.id);
  const [draft, setDraft] = useDraft(`feel.${job.id}.${circuit.id}`, EMPTY);
  const kept = factOf(detail, 'leverPulls', circuit.id) ?? [];
  const pulls = readPulls(detail, circuit);
  const isBefore = isBeforeWork(detail, circuit);
  const when = isBefore ? (draft.when ?? 'before') : 'after';
  const force_N = newtons(draft.force);
  const by: LeverPull['by'] | null =
    draft.with === 'gauge'
      ? draft.pressure_Pa === null
        ? null
        : { with: 'gauge', pressure_Pa: draft.pressure_Pa }
      : force_N === null
        ? null
        : { with: 'balance', force_N };
  const put = (value: readonly LeverPull[]) =>
    say.mutate({
      params: { jobId: job.id },
      body: {
        id: newId(),
        said: { kind: 'leverPulls', subjectId: circuit.id, value: value.length > 0 ? [...value] : null },
      },
    });
  const air = airByPulls(detail, circuit);
  return (
    <Sheet aria-label={`Feel: ${circuit.name}`}>
      <SheetTitle>How the {control} feels</SheetTitle>
      <Stack $gap={10}>
        <Fine>
          One soft pull and one firm one, at least three times as hard: air gives way at the first, hoses go
          on at the second. The same pulls before the work and after it tell what it brought.
        </Fine>
        {kept.length > 0 ? (
          <Rows>
            {pulls.map((pull) => (
              <PullLine key={pull.at} pull={pull} circuit={circuit} />
            ))}
          </Rows>
        ) : null}
        {kept.length > pulls.length ? (
          <Fine>
            A spring balance says nothing of the pressure as long as bore and ratio of the master are not
            known.
          </Fine>
        ) : null}
        {air === null ? null : air.told.ok ? (
          <p role="status">
            The two pulls tell of {write.volume(Math.max(0, air.told.value.air_m3))} of air or take-up,{' '}
            {write.volume(air.told.value.error_m3)} more or less.{' '}
            <Working of="air by two pulls" result={air.told} />
          </p>
        ) : (
          <p role="status">{problemText(air.told.problem, write)}</p>
        )}
        <Cautions cautions={feelCautions(detail).filter(({ subject }) => subject === circuit.name)} />
        {isClosed(job) ? null : (
          <>
            {isBefore ? (
              <ChoiceRow
                label="When"
                value={when}
                options={WHEN}
                onChange={(next) => setDraft({ ...draft, when: next })}
              />
            ) : null}
            <ChoiceRow
              label="Read by"
              value={draft.with}
              options={BY}
              onChange={(next) => setDraft({ ...draft, with: next })}
            />
            <Beside>
              {draft.with === 'gauge' ? (
                <QuantityEntry
                  label="Pressure in the line"
                  kind="pressure"
                  value_SI={draft.pressure_Pa}
                  mayBeEmpty
                  onValue={(pressure_Pa) => setDraft({ ...draft, pressure_Pa })}
                />
              ) : (
                <TextField
                  label={`Force at the ${control}, N`}
                  value={draft.force}
                  onChange={(force) => setDraft({ ...draft, force })}
                  error={
                    draft.force.trim() !== '' && force_N === null ? 'A force in newtons, up to 3000.' : null
                  }
                />
              )}
              <QuantityEntry
                label="Travel from rest"
                value_SI={draft.travel_m}
                mayBeEmpty
                onValue={(travel_m) => setDraft({ ...draft, travel_m })}
              />
            </Beside>
            {/* Shown at once and sent in turn: a pull that is kept while the last is on its way is not lost. */}
            <PlainButton
              because={
                by === null
                  ? `Say how hard the ${control} was pulled.`
                  : draft.travel_m === null
                    ? 'Read the travel with a rule.'
                    : null
              }
              onPress={() => {
                if (by === null || draft.travel_m === null) return;
                put([...kept, { when, by, travel_m: draft.travel_m, at: new Date().toISOString() }]);
                setDraft({ ...EMPTY, with: draft.with });
              }}
            >
              Keep this pull
            </PlainButton>
            {kept.length > 0 ? (
              <TextButton onPress={() => put(kept.slice(0, -1))}>take the last one back</TextButton>
            ) : null}
          </>
        )}
        <SaveProblem save={say} />
      </Stack>
    </Sheet>
  );
}

function PullLine({ pull, circuit }: { readonly pull: ReadPull; readonly circuit: Circuit }) {
  const detail = useJob();
  const write = useWriter();
  const expected = expectedFor(detail, circuit, pull);
  const way_m = circuit.components.find(({ kind }) => kind === 'master')?.leverStroke_m ?? null;
  return (
    <div>
      <Spread>
        <span>
          {pull.when === 'before' ? 'before the work' : 'now'}, at{' '}
          {write.quantity({ kind: 'pressure', value_SI: pull.pressure_Pa })}
          {pull.by.with === 'balance' ? <Label> ({pull.by.force_N} N)</Label> : null}
        </span>
        <Figure>{write.length(pull.travel_m)}</Figure>
      </Spread>
      {expected?.ok ? (
        <Fine>
          Without air from {write.length(expected.value.least_m)} on;{' '}
          {way_m !== null && expected.value.most_m >= way_m
            ? 'hoses at the limit of their class could take all of its way'
            : `to ${write.length(expected.value.most_m)} with hoses at the limit of their class`}
          , our estimate. <Working of="expected travel" result={expected} />
        </Fine>
      ) : null}
    </div>
  );
}
