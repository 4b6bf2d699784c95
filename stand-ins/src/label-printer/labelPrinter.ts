/** A simulated label printer: takes drawings of one label each, counts them, and runs out of labels. */
import { z } from 'zod';
import type { Instrument } from '../instrument/serveLines.ts';

const RequestSchema = z.strictObject({
  type: z.literal('print'),
  svg: z.string().startsWith('<svg ').max(200_000),
});

export interface LabelPrinter extends Instrument {
  /** What came out, oldest first. */
  readonly printed: readonly string[];
}

/** `labels`: how many are on the roll. */
export function labelPrinter(labels: number): LabelPrinter {
  const printed: string[] = [];
  const say = (reply: object) => ({ lines: [JSON.stringify(reply)], hangUp: false });
  return {
    printed,
    greeting: () =>
      JSON.stringify({
        type: 'hello',
        protocol: 'zephyrcombe-instrument',
        version: 1,
        kind: 'labelPrinter',
        serial: 'SIM-L1',
        width_m: 0.05,
        height_m: 0.018,
      }),
    answer: (line) => {
      let said: unknown;
      try {
        said = JSON.parse(line);
      } catch {
        return say({ type: 'refused', reason: 'notUnderstood' });
      }
      const request = RequestSchema.safeParse(said);
      if (!request.success) return say({ type: 'refused', reason: 'notUnderstood' });
      if (printed.length >= labels) return say({ type: 'refused', reason: 'outOfPaper' });
      printed.push(request.data.svg);
      return say({ type: 'printed', number: printed.length });
    },
  };
}
