/** The simulated supplier over HTTP, on the loopback interface only: `docs/formats/parts-supplier.md`. */
import type { AddressInfo } from 'node:net';
import type { IncomingMessage } from 'node:http';
import { createServer } from 'node:http';
import type { Confirmation, OrderDocument, Quote } from '@zephyrcombe/contract';
import { MISDELIVERIES, OrderDocumentSchema } from '@zephyrcombe/contract';
import { z } from 'zod';
import { confirm, packed, quoteFor } from './supplier.ts';

/** What the shop asks of each hose besides the hose: bolts and washers that belong to it. */
const QuoteRequestSchema = z.strictObject({
  order: OrderDocumentSchema,
  counts: z.array(z.strictObject({ hoseId: z.uuid(), bolts: z.int().min(0), washers: z.int().min(0) })),
});
type QuoteRequest = z.infer<typeof QuoteRequestSchema>;
const OrderRequestSchema = z.strictObject({ quote: z.string() });
const DeliveryRequestSchema = z.strictObject({ order: z.string(), wrong: z.enum(MISDELIVERIES) });

const MOST_BYTES = 1_000_000;

export interface ServedSupplier {
  readonly port: number;
  readonly stop: () => Promise<void>;
}

export async function serveSupplier(port = 0, today: () => Date = () => new Date()): Promise<ServedSupplier> {
  const quotes = new Map<string, { readonly quote: Quote; readonly asked: QuoteRequest }>();
  const orders = new Map<
    string,
    { readonly order: OrderDocument; readonly counts: QuoteRequest['counts'] }
  >();
  /** By quote: what is asked for again after a lost reply is not made twice. */
  const confirmed = new Map<string, Confirmation>();

  const answer = (path: string, body: unknown): readonly [number, unknown] => {
    const wrong = (error: z.ZodError) => [400, { error: z.prettifyError(error) }] as const;
    if (path === '/quotes') {
      const asked = QuoteRequestSchema.safeParse(body);
      if (!asked.success) return wrong(asked.error);
      const quote = quoteFor(asked.data.order, quotes.size + 1);
      quotes.set(quote.quote, { quote, asked: asked.data });
      return [201, quote];
    }
    if (path === '/orders') {
      const asked = OrderRequestSchema.safeParse(body);
      if (!asked.success) return wrong(asked.error);
      const known = quotes.get(asked.data.quote);
      if (!known) return [404, { error: 'No such quote.' }];
      const before = confirmed.get(known.quote.quote);
      if (before) return [201, before];
      const confirmation = confirm(known.quote, orders.size + 1, today());
      confirmed.set(known.quote.quote, confirmation);
      orders.set(confirmation.order, known.asked);
      return [201, confirmation];
    }
    if (path === '/deliveries') {
      const asked = DeliveryRequestSchema.safeParse(body);
      if (!asked.success) return wrong(asked.error);
      const known = orders.get(asked.data.order);
      if (!known) return [404, { error: 'No such order.' }];
      const items = known.order.hoses.map((hose) => {
        const count = known.counts.find(({ hoseId }) => hoseId === hose.id);
        return packed(hose, count?.bolts ?? 0, count?.washers ?? 0, asked.data.wrong);
      });
      return [201, { order: asked.data.order, items }];
    }
    return [404, { error: 'Ask POST /quotes, /orders or /deliveries.' }];
  };

  const server = createServer((request, response) => {
    const send = (status: number, body: unknown) => {
      response.writeHead(status, { 'content-type': 'application/json; charset=utf-8' });
      response.end(JSON.stringify(body));
    };
    if (request.method !== 'POST') {
      send(405, { error: 'POST only.' });
      return;
    }
    read(request)
      .then((body) => send(...answer(request.url ?? '', body)))
      .catch(() => send(400, { error: 'Not a JSON document of reasonable size.' }));
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve());
  });
  return {
    port: (server.address() as AddressInfo).port,
    stop: () =>
      new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

async function read(request: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request) {
    const bytes = chunk as Buffer;
    size += bytes.length;
    if (size > MOST_BYTES) throw new Error('too much');
    chunks.push(bytes);
  }
  return JSON.parse(Buffer.concat(chunks).toString('utf8'));
}
