import type { JobDetail } from '@zephyrcombe/contract';
import { nextPartsStep, partsSteps } from '@zephyrcombe/workshop';
import { outfitJob } from '../../testing/outfit.ts';
import { afterSpecify } from './PartsSteps.tsx';

const JOB = outfitJob();
const box = (verdict: 'accept' | 'return') =>
  ({
    found: {},
    by: 'Brannoc Hale',
    at: '2026-11-23T10:00:00.000Z',
    decided: { verdict, because: '' },
  }) as never;
/** The same job with each hose changed so. */
const each = (change: (hose: JobDetail['hoses'][number], index: number) => object): JobDetail => ({
  ...JOB,
  hoses: JOB.hoses.map((hose, index) => ({ ...hose, ...change(hose, index) })),
});

test('bought hoses are ordered and taken out of their boxes before they are fitted', () => {
  const of = JOB.hoses.length;
  expect(partsSteps(JOB)).toEqual([
    { step: 'order', of, done: 0 },
    { step: 'box', of, done: 0 },
  ]);
  expect(afterSpecify(JOB).to).toBe(`/jobs/${JOB.job.id}/order`);
  // One box is here: the others are still to be ordered, by whatever way.
  const first = each((_hose, index) => (index === 0 ? { kit: box('accept') } : {}));
  expect(partsSteps(first)).toMatchObject([{ done: 1 }, { done: 1 }]);
});

test('a box that goes back keeps its step open, and with every hose in the hand the job goes on to Fit', () => {
  expect(nextPartsStep(each((_hose, index) => ({ kit: box(index === 0 ? 'return' : 'accept') })))).toBe(
    'box',
  );
  const all = each(() => ({ kit: box('accept') }));
  expect(nextPartsStep(all)).toBeNull();
  expect(afterSpecify(all)).toEqual({ to: `/jobs/${JOB.job.id}/fit`, text: 'Go to Fit' });
});

test('a job without hoses has none of these steps', () => {
  expect(partsSteps({ ...JOB, hoses: [] })).toEqual([]);
});
