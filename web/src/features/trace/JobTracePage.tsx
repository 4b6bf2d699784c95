/** A tracing of a job: its picture and its line are kept with it. */
import type { Trace } from '@zephyrcombe/contract';
import { isClosed, photoAddress } from '@zephyrcombe/contract';
import { useReducer, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import type { History, HistoryAction } from '../../app/history.ts';
import { historyReducer, startHistory } from '../../app/history.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, PrimaryButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Line, Sheet, Stack } from '../../design/layout.ts';
import { useJob } from '../job/JobContext.ts';
import { TraceBench } from './TraceBench.tsx';
import type { TraceDraft } from './traceDraft.ts';
import { draftOf, tracingOf } from './traceDraft.ts';

export function JobTracePage() {
  const { traces, job } = useJob();
  const { traceId } = useParams();
  const trace = traces.find(({ id }) => id === traceId);
  if (!trace)
    return (
      <Fine>
        This tracing is no longer in the job. <Link to={`/jobs/${job.id}/measure`}>Back to Measure</Link>
      </Fine>
    );
  return <JobTrace key={trace.id} trace={trace} />;
}

function JobTrace({ trace }: { readonly trace: Trace }) {
  const { job, photos } = useJob();
  const { units } = useWriter();
  const navigate = useNavigate();
  const [history, dispatch] = useReducer(
    (state: History<TraceDraft>, action: HistoryAction<TraceDraft>) => historyReducer(state, action),
    trace,
    ({ tracing }) => startHistory(draftOf(tracing, units.length)),
  );
  const [name, setName] = useState(trace.name);
  const save = useJobAction('saveTrace', job.id);
  const remove = useJobAction('removeTrace', job.id, () => void navigate(`/jobs/${job.id}/measure`));
  const photo = photos.find(({ subjectId }) => subjectId === trace.id);
  const finished = isClosed(job);
  const params = { jobId: job.id, traceId: trace.id };
  const tracing = tracingOf(history.now);
  const isKept = name === trace.name && JSON.stringify(tracing) === JSON.stringify(trace.tracing);
  const keeping = (
    <Sheet>
      <Stack $gap={12}>
        <TextField label="What it shows" value={name} onChange={setName} isDisabled={finished} />
        <SaveProblem save={save} />
        <SaveProblem save={remove} />
        {finished ? null : (
          <Line>
            <PrimaryButton
              isPending={save.isPending}
              because={name.trim() === '' ? 'Say what it shows.' : isKept ? 'It is kept as it stands.' : null}
              onPress={() =>
                save.mutate({
                  params,
                  body: {
                    version: trace.version,
                    name: name.trim(),
                    tracing,
                  },
                })
              }
            >
              {isKept ? 'Kept with the job' : 'Keep it with the job'}
            </PrimaryButton>
            <PlainButton onPress={() => remove.mutate({ params })}>Remove this picture</PlainButton>
          </Line>
        )}
        <Link to={`/jobs/${job.id}/measure`}>Back to Measure</Link>
      </Stack>
    </Sheet>
  );
  return photo ? (
    <TraceBench
      picture={{
        url: photoAddress(job.id, photo.id),
        width_px: photo.width_px,
        height_px: photo.height_px,
      }}
      history={history}
      dispatch={dispatch}
      isDisabled={finished}
    >
      {keeping}
    </TraceBench>
  ) : (
    <Stack $gap={12}>
      <Fine>Its picture did not arrive. Remove this tracing and begin anew with the picture.</Fine>
      {keeping}
    </Stack>
  );
}
