/** Giving a job up: asks why, and where the brake was opened, what becomes of the vehicle. */
import type { AbandonRefusal, Opening } from '@zephyrcombe/contract';
import { may, openingOf, refuseAbandon } from '@zephyrcombe/contract';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { useJob } from './JobContext.ts';

const LEAST_REASON = 5;
const EMPTY = { because: '', brakeLeftOpen: false, tickedByMistake: false };

const WORDS: Readonly<Record<Opening, string>> = {
  untouched: 'Nothing has been opened. What was recorded stays; the drawing goes back to what was found.',
  opened:
    'The brake has been opened. Put together, torqued, bled and signed off it can run; abandoned it cannot.',
  takenBack:
    'Something was ticked that is done on an opened brake, and taken back. The log keeps both: say which is true.',
};

const WAYS_OUT: Readonly<Record<AbandonRefusal, string>> = {
  leftOpenNotSaid: 'Say that the vehicle does not run.',
  takenBackNotSaid: 'Say which of the two it is.',
  notYours: 'A technician or your lead decides this.',
};

export function AbandonJob() {
  const detail = useJob();
  const { job } = detail;
  const [isAsking, ask] = useState(false);
  const [draft, setDraft, clear] = useDraft(`abandon.${job.id}`, EMPTY);
  const abandon = useJobAction('abandonJob', job.id, clear);
  const opening = openingOf(detail);
  const me = usePerson();
  const refusal = refuseAbandon(opening, draft, may(me, 'abandonOpened'));
  if (!isAsking)
    return (
      <div>
        <TextButton onPress={() => ask(true)}>Abandon this job</TextButton>
      </div>
    );
  return (
    <Sheet>
      <SheetTitle>Abandon this job</SheetTitle>
      <Stack $gap={12}>
        <Fine>{WORDS[opening]}</Fine>
        <TextField
          label="Why it is given up"
          multiline
          autoFocus
          value={draft.because}
          onChange={(because) => setDraft({ ...draft, because })}
        />
        {opening === 'takenBack' ? (
          <Tick
            isSelected={draft.tickedByMistake}
            onChange={(tickedByMistake) => setDraft({ ...draft, tickedByMistake, brakeLeftOpen: false })}
          >
            Ticked by mistake: nothing was opened
          </Tick>
        ) : null}
        {opening === 'untouched' ? null : (
          <Tick
            isSelected={draft.brakeLeftOpen}
            onChange={(brakeLeftOpen) => setDraft({ ...draft, brakeLeftOpen, tickedByMistake: false })}
          >
            The brake stays open and the vehicle does not run: it is marked, and its keeper knows
          </Tick>
        )}
        <SaveProblem save={abandon} />
        <Line>
          <PlainButton
            isPending={abandon.isPending}
            because={
              draft.because.trim().length < LEAST_REASON
                ? 'Say why, in a few words.'
                : refusal && WAYS_OUT[refusal]
            }
            onPress={() =>
              abandon.mutate({
                params: { jobId: job.id },
                body: {
                  version: job.version,
                  because: draft.because.trim(),
                  brakeLeftOpen: draft.brakeLeftOpen,
                  tickedByMistake: draft.tickedByMistake,
                },
              })
            }
          >
            Abandon it
          </PlainButton>
          <TextButton onPress={() => ask(false)}>Go on with it</TextButton>
        </Line>
      </Stack>
    </Sheet>
  );
}
