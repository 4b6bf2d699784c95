/** Sends a label to the label printer: a line each way, `docs/formats/instrument-lines.md`. */
import { REFUSALS } from '@zephyrcombe/messages';
import { connect } from 'node:net';
import { createInterface } from 'node:readline';
import { z } from 'zod';
import { AppProblem } from '../http/appProblem.ts';

const PATIENCE_ms = 5000;
const MOST_bytes = 64 * 1024;
const ReplySchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('hello'), kind: z.literal('labelPrinter') }),
  z.object({ type: z.literal('printed'), number: z.int() }),
  z.object({ type: z.literal('refused'), reason: z.string() }),
]);

/** The number the printer gave the label. */
export async function printLabel(port: number | null, svg: string): Promise<number> {
  if (port === null)
    throw new AppProblem('printer-silent', {
      detail: REFUSALS.noPrinter,
    });
  const socket = connect(port, '127.0.0.1');
  // From the first word to the last: one that goes on talking without an answer is as silent as one that says nothing.
  const patience = setTimeout(() => socket.destroy(), PATIENCE_ms);
  let said_bytes = 0;
  socket.on('data', (part: Buffer) => {
    said_bytes += part.length;
    if (said_bytes > MOST_bytes) socket.destroy();
  });
  try {
    const failed = new Promise<never>((_resolve, reject) => {
      socket.once('error', reject);
      socket.once('close', () => reject(new Error('closed')));
    });
    failed.catch(() => undefined);
    const answered = (async () => {
      for await (const line of createInterface({ input: socket })) {
        const reply = ReplySchema.parse(JSON.parse(line));
        if (reply.type === 'hello') socket.write(`${JSON.stringify({ type: 'print', svg })}\n`);
        else return reply;
      }
      throw new Error('hung up');
    })();
    const reply = await Promise.race([answered, failed]);
    if (reply.type === 'printed') return reply.number;
    throw new AppProblem('printer-silent', {
      detail: reply.reason === 'outOfPaper' ? REFUSALS.outOfPaper : REFUSALS.printerRefused,
    });
  } catch (error) {
    if (error instanceof AppProblem) throw error;
    throw new AppProblem('printer-silent');
  } finally {
    clearTimeout(patience);
    socket.destroy();
  }
}
