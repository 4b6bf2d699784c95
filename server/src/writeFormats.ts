/* oxlint-disable no-console -- a command for the terminal */
/** Writes what docs/formats says of the API and of the files that leave the shop, from the contract. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FitPlanDocumentSchema, OrderDocumentSchema, VehicleDocumentSchema } from '@zephyrcombe/contract';
import { z } from 'zod';
import { buildApp } from './app.ts';
import { openDatabase } from './database/database.ts';

const database = {
  host: '127.0.0.1',
  port: 3306,
  name: 'none',
  user: 'none',
  password: 'none',
  folder: null,
};
const app = await buildApp({
  // Never connected: describing the routes asks nothing of the database.
  database: openDatabase(database),
  config: {
    host: '127.0.0.1',
    port: 0,
    database,
    secret: 'x'.repeat(32),
    signInTries: 10,
    idleHours: 12,
    signInDays: 14,
    secureCookie: false,
    trustProxy: null,
    demo: false,
    supplier: null,
    labelPrinterPort: null,
    torqueWrenchPort: null,
    webFolder: null,
  },
  clock: () => new Date(0),
});
await app.ready();
const write = (name: string, content: unknown) => {
  const file = join(import.meta.dirname, '../../docs/formats', name);
  writeFileSync(file, JSON.stringify(content) + '\n');
  console.log(`Written: ${file}`);
};
write('openapi.json', app.swagger());
write('vehicle-1.schema.json', z.toJSONSchema(VehicleDocumentSchema));
write('order-1.schema.json', z.toJSONSchema(OrderDocumentSchema));
write('fit-plan-1.schema.json', z.toJSONSchema(FitPlanDocumentSchema));
process.exit(0);
