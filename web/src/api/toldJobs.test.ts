import type { JobDetail } from '@zephyrcombe/contract';
import { keepTold, toldChange } from './toldJobs.ts';

const JOB = { job: { id: 'a', title: 'Before' }, wrenches: [], stamp: 'one' } as unknown as JobDetail;

test('a change of the job that is known is put into it, and the next one follows on', () => {
  keepTold(JOB);
  const title = { ...JOB.job, title: 'After' };
  expect(toldChange({ jobId: 'a', was: 'one', stamp: 'two', changed: { job: title } })).toEqual({
    ...JOB,
    job: title,
    stamp: 'two',
  });
  expect(toldChange({ jobId: 'a', was: 'two', stamp: 'three', changed: {} })).toMatchObject({
    job: title,
    stamp: 'three',
  });
});

test('a change of a job that somebody else changed meanwhile, or that was never read, is put into nothing', () => {
  keepTold(JOB);
  expect(toldChange({ jobId: 'a', was: 'other', stamp: 'two', changed: {} })).toBeNull();
  expect(toldChange({ jobId: 'b', was: 'one', stamp: 'two', changed: {} })).toBeNull();
});
