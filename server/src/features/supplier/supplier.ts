/** Talking to the parts supplier: slow, absent or talking nonsense, the shop is told in a sentence and loses nothing. */
import { REFUSALS } from '@zephyrcombe/messages';
import type { z } from 'zod';
import { AppProblem } from '../../http/appProblem.ts';
import { readLimited } from '../../http/readLimited.ts';

const PATIENCE_ms = 7000;
/** A quote with photographs would still be smaller. */
const MOST_bytes = 1024 * 1024;

export async function askSupplier<Reply extends z.ZodType>(
  address: string | null,
  path: '/quotes' | '/orders' | '/deliveries',
  body: object,
  reply: Reply,
): Promise<z.infer<Reply>> {
  if (address === null)
    throw new AppProblem('supplier-silent', {
      detail: REFUSALS.noSupplier,
    });
  let response: Response;
  try {
    response = await fetch(`${address}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_ms),
    });
  } catch {
    throw new AppProblem('supplier-silent');
  }
  const said = await readLimited(response, MOST_bytes)
    .then((text): unknown => JSON.parse(text))
    .catch(() => null);
  if (response.status === 404)
    throw new AppProblem('supplier-silent', {
      detail: REFUSALS.supplierForgot,
    });
  const read = reply.safeParse(said);
  if (!response.ok || !read.success)
    throw new AppProblem('supplier-silent', {
      detail: REFUSALS.supplierUnclear,
    });
  return read.data;
}
