/** The lever held at one force: a clock that runs, the travel read as often as somebody likes, and what it proves. */
import type { Circuit } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { SETTLING_s } from '@zephyrcombe/core';
import { HOLD_WORDS, vehicleWords } from '@zephyrcombe/messages';
import { factOf, holdOf, isHeldBefore } from '@zephyrcombe/workshop';
import { useEffect, useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { Beside, Figure, Fine, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { QuantityEntry } from '../../quantities/QuantityEntry.tsx';
import { Working } from '../../quantities/Working.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

export function HoldTests() {
  const detail = useJob();
  return detail.circuits.map(({ circuit }) => <HoldTest key={circuit.id} circuit={circuit} />);
}

const EMPTY = { since: null as number | null, travel_m: null as number | null };

function HoldTest({ circuit }: { readonly circuit: Circuit }) {
  const detail = useJob();
  const write = useWriter();
  const { job } = detail;
  const { control } = vehicleWords(detail.vehicle, circuit);
  const say = useJobAction('sayFitFact', job.id);
  const [draft, setDraft, clear] = useDraft(`hold.${job.id}.${circuit.id}`, EMPTY);
  const now = useSeconds(draft.since !== null);
  const elapsed_s = draft.since === null ? null : Math.max(0, Math.round((now - draft.since) / 1000));
  const kept = factOf(detail, 'holdTest', circuit.id) ?? [];
  const held = holdOf(detail, circuit);
  const closed = isClosed(job) ? CLOSED : null;
  const put = (readings: typeof kept) =>
    say.mutate({
      params: { jobId: job.id },
      body: {
        id: newId(),
        said: { kind: 'holdTest', subjectId: circuit.id, value: readings.length > 0 ? [...readings] : null },
      },
    });
  return (
    <Sheet aria-label={`Held: ${circuit.name}`}>
      <Spread>
        <SheetTitle>
          {circuit.name}: the {control} held, and read
        </SheetTitle>
        {held?.ok ? <Working of="hold" result={held} /> : null}
      </Spread>
      <Stack $gap={10}>
        <Fine>
          Firm and always as firm, from where it rests. What settles in the first minute does not count; an
          unread hold proves nothing. Untie it afterwards.
        </Fine>
        {kept.length > 0 ? (
          <Rows>
            {kept.map(({ at_s, travel_m }) => (
              <Spread key={at_s}>
                <span>
                  after {clock(at_s)}
                  {at_s < SETTLING_s ? ', still settling' : ''}
                </span>
                <Figure>{write.length(travel_m)}</Figure>
              </Spread>
            ))}
          </Rows>
        ) : null}
        {held?.ok ? (
          <p role="status">
            {isHeldBefore(detail, circuit)
              ? 'Read before the last work on it: hold it again.'
              : HOLD_WORDS[held.value.verdict]}
            {held.value.leak_m3 !== null && held.value.leak_m3 > 0 && held.value.verdict === 'creeps'
              ? ` ${write.volume(held.value.leak_m3)} left the circuit or went past the seal.`
              : ''}
          </p>
        ) : null}
        {elapsed_s === null ? (
          <PlainButton
            because={closed}
            onPress={() => {
              put([]);
              setDraft({ since: Date.now(), travel_m: null });
            }}
          >
            {kept.length > 0
              ? `Pull the ${control} and hold it again`
              : `Pull the ${control} and start the clock`}
          </PlainButton>
        ) : (
          <>
            <Beside>
              <div>
                <Figure $size="large" aria-label="held for">
                  {clock(elapsed_s)}
                </Figure>
                <Fine>{elapsed_s < SETTLING_s ? 'it settles' : 'it counts'}</Fine>
              </div>
              <QuantityEntry
                label="Travel now"
                value_SI={draft.travel_m}
                allowZero
                mayBeEmpty
                onValue={(travel_m) => setDraft({ ...draft, travel_m })}
              />
            </Beside>
            {/* Shown at once and sent in turn: a reading that is kept while the last is on its way is not lost. */}
            <PlainButton
              because={closed ?? (draft.travel_m === null ? 'Read the travel with a rule.' : null)}
              onPress={() => {
                if (draft.travel_m === null) return;
                put([...kept, { at_s: elapsed_s, travel_m: draft.travel_m }]);
                setDraft({ ...draft, travel_m: null });
              }}
            >
              Keep this reading
            </PlainButton>
            <TextButton onPress={clear}>let go: stop the clock</TextButton>
          </>
        )}
        <SaveProblem save={say} />
      </Stack>
    </Sheet>
  );
}

const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, '0')} min`;

/** The time, each second while it runs. */
function useSeconds(isRunning: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!isRunning) return;
    const ticking = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(ticking);
  }, [isRunning]);
  return now;
}
