/** Requests by the contract's route table. Every failure comes back as one kind of error. */
import type {
  ApiProblemCode,
  BodyOf,
  JsonRouteName,
  ParamsOf,
  ProblemDetails,
  QueryOf,
  ReplyOf,
  RouteName,
} from '@zephyrcombe/contract';
import { ACTED_AT, ADDRESSES, addressOf, ProblemDetailsSchema } from '@zephyrcombe/contract';
import { PROBLEM_TEXTS } from '@zephyrcombe/messages';
import { newId } from '../app/newId.ts';

/** `offline` never reached the server; everything else carries the server's problem details. */
export class ApiError extends Error {
  override readonly name = 'ApiError';
  readonly code: ApiProblemCode | 'offline';
  readonly details: ProblemDetails | null;

  constructor(details: ProblemDetails | null) {
    super(
      details?.detail ?? 'The server cannot be reached. Nothing you typed is lost; try again in a moment.',
    );
    this.code = details?.code ?? 'offline';
    this.details = details;
  }

  get title(): string {
    return this.details?.title ?? 'No connection';
  }
}

export interface RequestOf<Name extends RouteName> {
  readonly params?: ParamsOf<Name>;
  readonly query?: QueryOf<Name>;
  readonly body?: BodyOf<Name>;
}

export async function call<Name extends JsonRouteName>(
  name: Name,
  input: RequestOf<Name> = {},
  signal?: AbortSignal,
): Promise<ReplyOf<Name>> {
  const search = new URLSearchParams();
  const query = Object.entries(input.query ?? {}) as [string, string | number | string[] | undefined][];
  for (const [key, value] of query)
    for (const one of Array.isArray(value) ? value : [value])
      if (one !== undefined) search.append(key, String(one));
  const address = addressOf(name, input.params) + (search.size > 0 ? `?${search.toString()}` : '');
  const isChange = ADDRESSES[name].method !== 'GET' && KNOWS_KEYS.test(ADDRESSES[name].path);
  const body = input.body === undefined ? '' : JSON.stringify(input.body);
  const change = `${ADDRESSES[name].method} ${address} ${body}`;
  const first = isChange ? sentFirst(change) : null;
  let response: Response;
  try {
    response = await fetch(address, {
      method: ADDRESSES[name].method,
      ...(body === '' ? {} : { body }),
      headers: {
        ...(body === '' ? {} : { 'content-type': 'application/json' }),
        ...(first ? { 'idempotency-key': first.key, [ACTED_AT]: first.at } : {}),
      },
      ...(signal ? { signal } : {}),
    });
  } catch (error) {
    if (signal?.aborted) throw error;
    throw new ApiError(null);
  }
  // Whatever was heard of it, it is settled; only what was not heard of is sent again under its key.
  if (!UNSETTLED.has(response.status)) unsettled.delete(change);
  if (response.ok) return (await response.json()) as ReplyOf<Name>;
  throw new ApiError(await readProblem(response));
}

/** Signing in, out and opening the book are not repeated: each is another session. */
const KNOWS_KEYS = /^\/api\/(?!session$|set-up$)/;
/** Answers that do not say what became of a change. */
const UNSETTLED: ReadonlySet<number> = new Set([502, 503, 504]);
interface SentFirst {
  readonly key: string;
  readonly at: string;
}
/**
 * Changes of which nothing was heard yet, by the key and the time they were first sent with: sent again, the server knows them,
 * writes nothing twice, and the log says when it was done, not when it came.
 */
const unsettled = new Map<string, SentFirst>();

function sentFirst(change: string): SentFirst {
  const first = unsettled.get(change) ?? { key: newId(), at: new Date().toISOString() };
  unsettled.set(change, first);
  return first;
}

/** A file, as it is. The answer is the job as it then stands. */
export async function sendBytes(address: string, bytes: Blob): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(address, {
      method: 'PUT',
      body: bytes,
      headers: { 'content-type': bytes.type || 'application/octet-stream' },
    });
  } catch {
    throw new ApiError(null);
  }
  if (response.ok) return response.json();
  throw new ApiError(await readProblem(response));
}

/** A file that the server makes from what it is sent, with the name it gives it. */
export async function fetchFile(
  address: string,
  body: object,
): Promise<{ readonly name: string; readonly blob: Blob }> {
  let response: Response;
  try {
    response = await fetch(address, {
      method: 'POST',
      body: JSON.stringify(body),
      headers: { 'content-type': 'application/json' },
    });
  } catch {
    throw new ApiError(null);
  }
  if (!response.ok) throw new ApiError(await readProblem(response));
  const told = /filename\*=UTF-8''([^;]+)/.exec(response.headers.get('content-disposition') ?? '')?.[1];
  return { name: decodeURIComponent(told ?? 'drawing'), blob: await response.blob() };
}

async function readProblem(response: Response): Promise<ProblemDetails> {
  const parsed = ProblemDetailsSchema.safeParse(await response.json().catch(() => null));
  if (parsed.success) return parsed.data;
  // A proxy in between answered for the server.
  const code: ApiProblemCode =
    response.status >= 502 && response.status <= 504 ? 'database-unavailable' : 'internal';
  const { title, detail } = PROBLEM_TEXTS[code];
  return { type: `/problems/${code}`, code, title, detail, status: response.status, requestId: '' };
}
