/** Sends a label to the label printer: a line each way, `docs/formats/instrument-lines.md`. */
import { REFUSALS } from '@zephyrcombe/messages';
import { z } from 'zod';
import { AppProblem } from '../http/appProblem.ts';
import { connectLines } from './lineClient.ts';

const PATIENCE_ms = 5000;
const HelloSchema = z.object({ type: z.literal('hello'), kind: z.literal('labelPrinter') });
const ReplySchema = z.discriminatedUnion('type', [
  z.object({ type: z.literal('printed'), number: z.int() }),
  z.object({ type: z.literal('refused'), reason: z.string() }),
]);
type Reply = z.infer<typeof ReplySchema>;

/** The number the printer gave the label. */
export async function printLabel(port: number | null, svg: string): Promise<number> {
  if (port === null)
    throw new AppProblem('printer-silent', {
      detail: REFUSALS.noPrinter,
    });
  const reply = await answerTo(port, svg);
  if (reply === null) throw new AppProblem('printer-silent');
  if (reply.type === 'printed') return reply.number;
  throw new AppProblem('printer-silent', {
    detail: reply.reason === 'outOfPaper' ? REFUSALS.outOfPaper : REFUSALS.printerRefused,
  });
}

/** Null where it hung up, said something else, or kept its answer for too long: talking on is no answer. */
function answerTo(port: number, svg: string): Promise<Reply | null> {
  return new Promise((resolve) => {
    let isGreeted = false;
    const client = connectLines(port, {
      onLine: (line) => {
        if (!isGreeted && HelloSchema.safeParse(line).success) {
          isGreeted = true;
          client.say({ type: 'print', svg });
          return;
        }
        resolve(ReplySchema.safeParse(line).data ?? null);
        client.hangUp();
      },
      onEnd: () => {
        clearTimeout(patience);
        resolve(null);
      },
    });
    const patience = setTimeout(() => client.hangUp(), PATIENCE_ms);
  });
}
