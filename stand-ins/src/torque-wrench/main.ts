/** Starts a simulated torque wrench: `npm run torque-wrench -w stand-ins -- --port 4190 --seed 7 --misbehave none,twice`. */
import { parseArgs } from 'node:util';
import { z } from 'zod';
import { serveLines } from '../instrument/serveLines.ts';
import { MISBEHAVIOURS } from './misbehaviour.ts';
import { torqueWrench } from './torqueWrench.ts';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '0' },
    seed: { type: 'string', default: '1' },
    misbehave: { type: 'string', default: 'none' },
    serial: { type: 'string', default: '' },
    calibrated: { type: 'string', default: '2026-06-02' },
    pace: { type: 'string', default: '40' },
  },
});
const settings = z
  .strictObject({
    port: z.coerce.number().int().min(0).max(65_535),
    seed: z.coerce.number().int(),
    serial: z.string().trim().max(60),
    calibrated: z.union([z.iso.date(), z.literal('')]),
    pace: z.coerce.number().min(0).max(1000),
    misbehave: z
      .string()
      .transform((list) => list.split(','))
      .pipe(z.array(z.enum(MISBEHAVIOURS))),
  })
  .safeParse(values);
if (!settings.success) {
  process.stderr.write(`${z.prettifyError(settings.error)}\n`);
  process.exit(2);
}
const { port, seed, misbehave, calibrated, pace } = settings.data;
const serial = settings.data.serial || `SIM-${seed}`;
const served = await serveLines(
  torqueWrench({
    seed,
    serial,
    minimum_Nm: 5,
    maximum_Nm: 25,
    calibratedOn: calibrated || null,
    misbehaviours: misbehave,
    pace_ms: pace,
  }),
  port,
);
process.stdout.write(`Simulated torque wrench ${serial} on 127.0.0.1:${served.port}\n`);
process.once('SIGINT', () => void served.stop());
process.once('SIGTERM', () => void served.stop());
