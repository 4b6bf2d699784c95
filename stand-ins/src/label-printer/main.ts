/** Starts a simulated label printer: `npm run label-printer -w stand-ins -- --port 4192 --labels 50`. */
import { parseArgs } from 'node:util';
import { z } from 'zod';
import { serveLines } from '../instrument/serveLines.ts';
import { labelPrinter } from './labelPrinter.ts';

const { values } = parseArgs({
  options: { port: { type: 'string', default: '0' }, labels: { type: 'string', default: '200' } },
});
const settings = z
  .strictObject({ port: z.coerce.number().int().min(0).max(65_535), labels: z.coerce.number().int().min(0) })
  .safeParse(values);
if (!settings.success) {
  process.stderr.write(`${z.prettifyError(settings.error)}\n`);
  process.exit(2);
}
const served = await serveLines(labelPrinter(settings.data.labels), settings.data.port);
process.stdout.write(`Simulated label printer SIM-L1 on 127.0.0.1:${served.port}\n`);
process.once('SIGINT', () => void served.stop());
process.once('SIGTERM', () => void served.stop());
