/** The tracings of a job, each with what it measures, and the way to a new one. */
import type { JobChange } from '@zephyrcombe/contract';
import { isClosed, photoUploadAddress } from '@zephyrcombe/contract';
import { measureTracing } from '@zephyrcombe/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import type { ApiError } from '../../api/client.ts';
import { call, sendBytes } from '../../api/client.ts';
import { showChange } from '../../api/queries.ts';
import { newId } from '../../app/newId.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { Figure, Fine, Rows, Sheet, SheetTitle, Spread, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { useJob } from '../job/JobContext.ts';
import type { PickedPicture } from './PicturePick.tsx';
import { PicturePick } from './PicturePick.tsx';
import { EMPTY_TRACE, tracingOf } from './traceDraft.ts';
import { ErrorWords } from '../../api/ErrorWords.tsx';

export function TraceList() {
  const { job, traces } = useJob();
  const write = useWriter();
  const client = useQueryClient();
  const navigate = useNavigate();
  const begin = useMutation<string, ApiError | Error, PickedPicture>({
    mutationFn: async ({ file }) => {
      const traceId = newId();
      const saved = await call('saveTrace', {
        params: { jobId: job.id, traceId },
        body: {
          version: null,
          name: `Tracing ${traces.length + 1}`,
          tracing: tracingOf(EMPTY_TRACE),
        },
      });
      await showChange(client, saved);
      const change = (await sendBytes(
        photoUploadAddress(job.id, 'trace', traceId, newId()),
        file,
      )) as JobChange;
      await showChange(client, change);
      return traceId;
    },
    onSuccess: (traceId) => void navigate(`/jobs/${job.id}/measure/traces/${traceId}`),
  });
  return (
    <Sheet>
      <SheetTitle>Traced on pictures</SheetTitle>
      <Stack $gap={10}>
        {traces.length === 0 ? (
          <Fine>
            The old hose on the bench, a pipe, an angle: on a photograph with a rule or a sheet of paper
            beside it, a traced line tells its length, legs and bends.
          </Fine>
        ) : (
          <Rows>
            {traces.map((trace) => {
              const measured = measureTracing(trace.tracing);
              return (
                <Spread key={trace.id}>
                  <Link to={`/jobs/${job.id}/measure/traces/${trace.id}`}>{trace.name}</Link>
                  <Figure>
                    {measured.ok
                      ? `${write.length(measured.value.length_m)} ±${write.length(measured.value.uncertainty_m)}`
                      : 'not traced yet'}
                  </Figure>
                </Spread>
              );
            })}
          </Rows>
        )}
        {isClosed(job) ? null : (
          <PicturePick
            text={begin.isPending ? 'Sending the picture…' : 'Trace on a picture'}
            isPending={begin.isPending}
            onPicture={(picture) => begin.mutate(picture)}
          />
        )}
        {begin.isError ? (
          <Notice severity="stop" title="The picture was not kept" live>
            <ErrorWords error={begin.error} />
          </Notice>
        ) : null}
      </Stack>
    </Sheet>
  );
}
