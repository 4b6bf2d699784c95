import { QueryClient } from '@tanstack/react-query';
import { outfitJob } from '../testing/outfit.ts';
import { jobQuery, showChange } from './queries.ts';

test('a job that somebody else changed is asked for anew, not by a question that was on its way before', async () => {
  const before = { ...outfitJob(), stamp: 'before' };
  const after = { ...before, stamp: 'after', job: { ...before.job, version: 7 } };
  const answers: ((detail: object) => void)[] = [];
  const asked = jest.spyOn(globalThis, 'fetch').mockImplementation(
    () =>
      new Promise((resolve) => {
        answers.push((detail) => resolve(Response.json(detail)));
      }),
  );
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const query = jobQuery(before.job.id);
  const early = client.fetchQuery(query);
  const shown = showChange(client, { jobId: before.job.id, was: 'other', stamp: 'after', changed: {} });
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(asked).toHaveBeenCalledTimes(2);
  answers[0]?.(before);
  await early;
  answers[1]?.(after);
  await shown;
  expect(client.getQueryData(query.queryKey)?.job.version).toBe(7);
  asked.mockRestore();
  client.clear();
});
