/** Giving a job up: asks why, and where the brake was opened, what becomes of the vehicle. */
import { wasOpened } from '@zephyrcombe/contract';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useDraft } from '../../app/useDraft.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField, Tick } from '../../design/fields.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { useJob } from './JobContext.ts';

const LEAST_REASON = 5;
const EMPTY = { because: '', brakeLeftOpen: false };

export function AbandonJob() {
  const detail = useJob();
  const { job } = detail;
  const [isAsking, ask] = useState(false);
  const [draft, setDraft, clear] = useDraft(`abandon.${job.id}`, EMPTY);
  const abandon = useJobAction('abandonJob', job.id, clear);
  const opened = wasOpened(detail);
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
        <Fine>
          {opened
            ? 'The brake has been opened. Put together, torqued, bled and signed off it can run; abandoned it cannot.'
            : 'Nothing has been opened. What was recorded stays; the drawing goes back to what was found.'}
        </Fine>
        <TextField
          label="Why it is given up"
          multiline
          autoFocus
          value={draft.because}
          onChange={(because) => setDraft({ ...draft, because })}
        />
        {opened ? (
          <Tick
            isSelected={draft.brakeLeftOpen}
            onChange={(brakeLeftOpen) => setDraft({ ...draft, brakeLeftOpen })}
          >
            The brake stays open and the vehicle does not run: it is marked, and its keeper knows
          </Tick>
        ) : null}
        <SaveProblem save={abandon} />
        <Line>
          <PlainButton
            isPending={abandon.isPending}
            because={
              draft.because.trim().length < LEAST_REASON
                ? 'Say why, in a few words.'
                : opened && !draft.brakeLeftOpen
                  ? 'Say that the vehicle does not run.'
                  : null
            }
            onPress={() =>
              abandon.mutate({
                params: { jobId: job.id },
                body: {
                  version: job.version,
                  because: draft.because.trim(),
                  brakeLeftOpen: draft.brakeLeftOpen,
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
