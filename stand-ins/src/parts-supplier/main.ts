/** Starts a simulated parts supplier: `npm run parts-supplier -w stand-ins -- --port 4191`. */
import { parseArgs } from 'node:util';
import { z } from 'zod';
import { serveSupplier } from './serve.ts';

const { values } = parseArgs({ options: { port: { type: 'string', default: '0' } } });
const port = z.coerce.number().int().min(0).max(65_535).safeParse(values.port);
if (!port.success) {
  process.stderr.write(`${z.prettifyError(port.error)}\n`);
  process.exit(2);
}
const served = await serveSupplier(port.data);
process.stdout.write(`Simulated parts supplier on http://127.0.0.1:${served.port}\n`);
process.once('SIGINT', () => void served.stop());
process.once('SIGTERM', () => void served.stop());
