/** What the page sends again after a lost answer, it sends under the same key. */
import { ApiError, call } from './client.ts';

interface Sent {
  readonly address: string;
  readonly key: string | undefined;
}

/** Answers in turn; `null` is a line that is down. */
function answering(...statuses: readonly (number | null)[]): readonly Sent[] {
  const sent: Sent[] = [];
  const left = [...statuses];
  globalThis.fetch = (address, init) => {
    const headers = init?.headers as Readonly<Record<string, string>> | undefined;
    sent.push({ address: typeof address === 'string' ? address : '', key: headers?.['idempotency-key'] });
    const status = left.shift();
    if (status === null || status === undefined) return Promise.reject(new TypeError('no line'));
    return Promise.resolve(new Response('{}', { status }));
  };
  return sent;
}

const real = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = real;
});

const JOB = '7a1c2f86-3a51-4a53-9d4e-6a4f7f1c9f01';
const rename = (title: string) =>
  call('editJob', { params: { jobId: JOB }, body: { version: 3, title } }).catch((error: unknown) => error);

test('a change of which nothing was heard keeps its key, until something is heard of it', async () => {
  const sent = answering(null, 503, 200, 200);
  expect(await rename('Left')).toBeInstanceOf(ApiError);
  expect(await rename('Left')).toBeInstanceOf(ApiError);
  await rename('Left');
  await rename('Left');
  const [lost, unsure, heard, anew] = sent.map(({ key }) => key);
  expect(lost).toMatch(/^[0-9a-f-]{36}$/);
  expect([unsure, heard]).toEqual([lost, lost]);
  expect(anew).not.toBe(lost);
});

test('another change has another key, and a refused one is settled', async () => {
  const sent = answering(null, null, 409, 200);
  await rename('One');
  await rename('Two');
  await rename('One');
  await rename('One');
  const [one, two, refused, anew] = sent.map(({ key }) => key);
  expect(two).not.toBe(one);
  expect(refused).toBe(one);
  expect(anew).not.toBe(one);
});

test('what only reads, and signing in, has no key', async () => {
  const sent = answering(200, 200, 200);
  await call('listVehicles', { query: { search: 'cart' } });
  await call('getJob', { params: { jobId: JOB } });
  await call('signIn', { body: { name: 'Brannoc Hale', passphrase: 'lamp oil' } });
  expect(sent).toEqual([
    { address: '/api/vehicles?search=cart', key: undefined },
    { address: `/api/jobs/${JOB}`, key: undefined },
    { address: '/api/session', key: undefined },
  ]);
});
