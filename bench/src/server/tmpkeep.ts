import { writeFileSync } from 'node:fs';
import { fillBook } from './fillBook.ts';
import { startOwnServer } from './ownServer.ts';
const s = await startOwnServer();
const t = performance.now();
await fillBook(s.sql, { vehicles: 10_000, jobsPerVehicle: 5, servicesPerVehicle: 10, linesPerJob: 20, shelf: 5_000 });
const [r] = await s.sql.query('SELECT @@port AS port');
writeFileSync('/tmp/x/keep.json', JSON.stringify({ r, address: s.address, took: performance.now() - t }));
setInterval(() => undefined, 1e6);
