/** Copies of a book: taken while it is written on, read back, put back whole; and books of before, opened today. */
import { randomUUID } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createGunzip, gzipSync } from 'node:zlib';
import type { JobDetail, VehicleDetail } from '@zephyrcombe/contract';
import { photoAddress, photoUploadAddress } from '@zephyrcombe/contract';
import { QueryTypes } from 'sequelize';
import { buildApp } from '../app.ts';
import type { DatabaseConfig } from '../config.ts';
import type { Database } from '../database/database.ts';
import { openDatabase } from '../database/database.ts';
import { MIGRATION_NAMES, migrate } from '../database/migrations.ts';
import { demoId } from '../demo/identity.ts';
import { DEMO_PASSPHRASE } from '../features/sessions/session.service.ts';
import { tubeReading } from '../testing/samples.ts';
import type { TestServer } from '../testing/testServer.ts';
import { createDatabase, OWN_PAGE, startTestServer } from '../testing/testServer.ts';
import { completeBackup, writeBackup } from './backupFile.ts';
import { load } from './dump.ts';
import { backUp, restore, verifyBackup, verifyBook } from './keeping.ts';

const CONTROL = join(__dirname, '../../../bin/database');
const JOB = demoId('job/wick-front');
const clock = () => new Date();

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'zephyrcombe-keeping-'));
});
afterAll(() => rm(folder, { recursive: true }));

const rowsOf = (database: Database, sql: string) =>
  database.sequelize.query<Record<string, unknown>>(sql, { type: QueryTypes.SELECT });

/** As somebody with the demo shop's passphrase sees a book through a server of its own. */
async function through<Value>(
  config: DatabaseConfig,
  from: TestServer,
  look: (
    get: (url: string) => Promise<{ readonly statusCode: number; readonly rawPayload: Buffer }>,
  ) => Promise<Value>,
): Promise<Value> {
  const database = openDatabase(config);
  const app = await buildApp({ config: { ...from.config, database: config }, database, clock });
  const session = await app.inject({
    method: 'POST',
    url: '/api/session',
    headers: OWN_PAGE,
    payload: { name: 'Brannoc Hale', passphrase: DEMO_PASSPHRASE },
  });
  const cookie = session.cookies.map(({ name, value }) => `${name}=${encodeURIComponent(value)}`).join('; ');
  try {
    return await look(async (url) => await app.inject({ method: 'GET', url, headers: { cookie } }));
  } finally {
    await app.close();
    await database.close();
  }
}
const read = <Reply>(reply: { readonly rawPayload: Buffer }): Reply =>
  JSON.parse(reply.rawPayload.toString('utf8')) as Reply;

describe('a restore drill', () => {
  let server: TestServer;
  beforeAll(async () => {
    server = await startTestServer();
  });
  afterAll(() => server.close());

  test('a copy taken while six people write holds what was acknowledged before it, to the letter and the pixel', async () => {
    const hoseId = (await server.job('wick-front')).hoses[0]?.hoseId;
    const path = join(folder, 'drill.gz');
    // A photograph, and letters of several scripts.
    const reading = tubeReading(hoseId, 0.731);
    await server.ask('POST', `/api/jobs/${JOB}/readings`, reading);
    const photoId = randomUUID();
    const picture = await readFile(join(__dirname, '../testing/picture.png'));
    const uploaded = await server.app.inject({
      method: 'PUT',
      url: photoUploadAddress(JOB, 'reading', reading.id, photoId),
      headers: { ...OWN_PAGE, cookie: await server.signInAs('brannoc'), 'content-type': 'image/png' },
      payload: picture,
    });
    expect(uploaded.statusCode).toBe(200);
    const letters = 'Łódź Ωμέγα Привет “½″”';
    const { version } = (await server.job('wick-front')).job;
    await server.ask('PATCH', `/api/jobs/${JOB}`, { version, reason: letters });

    const acknowledged: { readonly id: string; readonly at: number }[] = [];
    let isOver = false;
    const writer = async () => {
      while (!isOver) {
        const sent = tubeReading(hoseId, 0.7);
        const reply = await server.ask('POST', `/api/jobs/${JOB}/readings`, sent);
        if (reply.statusCode === 200) acknowledged.push({ id: sent.id, at: Date.now() });
      }
    };
    const writers = Array.from({ length: 6 }, writer);
    while (acknowledged.length < 20) await server.ask('GET', '/api/shop');
    const { header, book } = await backUp(server.config.database, path, { control: CONTROL, clock });
    isOver = true;
    await Promise.all(writers);
    expect(book.faults).toEqual([]);
    const before = acknowledged.filter(({ at }) => at < Date.parse(header.takenAt));
    expect(before.length).toBeGreaterThanOrEqual(20);
    // Written after it was taken: the shop was not stopped for it.
    expect(acknowledged.length).toBeGreaterThan(before.length);

    const empty = await createDatabase();
    const back = await restore(empty, path, CONTROL);
    expect(back.book.rows).toEqual(book.rows);
    await through(empty, server, async (get) => {
      const detail = read<JobDetail>(await get(`/api/jobs/${JOB}`));
      const kept = new Set(detail.readings.map(({ id }) => id));
      expect(before.filter(({ id }) => !kept.has(id))).toEqual([]);
      expect(detail.job.reason).toBe(letters);
      expect((await get(photoAddress(JOB, photoId))).rawPayload.equals(picture)).toBe(true);
    });
    // The log of a copy is as append-only as the first one; sign-ins of before are over.
    const copy = openDatabase(empty);
    await expect(copy.sequelize.query('DELETE FROM log_entry')).rejects.toThrow('append-only');
    expect(book.rows.session).toBe(0);
    // What one write made is there whole or not at all: a reading and its line in the log.
    const lines = await rowsOf(
      copy,
      `SELECT COUNT(*) AS lost FROM reading LEFT JOIN log_entry ON log_entry.kind = 'readingTaken'
        AND JSON_VALUE(log_entry.detail, '$.id') = reading.id
       WHERE reading.jobId = '${JOB}' AND reading.length_m = 0.7 AND log_entry.id IS NULL`,
    );
    expect(lines).toEqual([{ lost: 0 }]);
    await copy.close();
    expect((await verifyBackup(path, CONTROL)).book.faults).toEqual([]);
  }, 90_000);

  test('a file that is there is not written over, and a book that is in use is not restored into', async () => {
    const path = join(folder, 'there.gz');
    await writeFile(path, 'somebody’s own');
    await expect(backUp(server.config.database, path, { control: CONTROL, clock })).rejects.toThrow(
      'is there already',
    );
    expect(await readFile(path, 'utf8')).toBe('somebody’s own');
    const jobs = await rowsOf(server.database, 'SELECT * FROM job');
    await expect(restore(server.config.database, join(folder, 'drill.gz'), CONTROL)).rejects.toThrow(
      'is not empty',
    );
    expect(await rowsOf(server.database, 'SELECT * FROM job')).toEqual(jobs);
  });

  test('what is cut off, damaged, not read back, or something else is refused; the database stays empty', async () => {
    const whole = await readFile(join(folder, 'drill.gz'));
    const damaged = Buffer.from(whole);
    damaged.fill(7, 9_000, 9_200);
    const files: readonly (readonly [string, Buffer, RegExp])[] = [
      ['cut.gz', whole.subarray(0, whole.length - 400), /cut off|not whole/],
      ['damaged.gz', damaged, /damaged/],
      ['other.gz', gzipSync('-- a dump of something else\n'), /not a backup/],
      ['plain.gz', Buffer.from('not packed at all'), /not a backup/],
      [
        'newer.gz',
        gzipSync('-- Zephyrcombe backup {"format":2,"takenAt":"2026-11-23T10:00:00Z"}\n'),
        /another version/,
      ],
      [
        'unread.gz',
        gzipSync('-- Zephyrcombe backup {"format":1,"takenAt":"2026-11-23T10:00:00Z"}\nSELECT 1;\n'),
        /never read back/,
      ],
    ];
    const empty = await createDatabase();
    for (const [name, bytes, said] of files) {
      await writeFile(join(folder, name), bytes);
      await expect(restore(empty, join(folder, name), CONTROL)).rejects.toThrow(said);
    }
    await expect(restore(empty, join(folder, 'none.gz'), CONTROL)).rejects.toThrow('There is no file');
    const { sequelize, close } = openDatabase(empty);
    expect(await sequelize.getQueryInterface().showAllTables()).toEqual([]);
    await close();
  });

  test('SQL that fails half way leaves the database empty, and rows that are missing are told', async () => {
    const header = { format: 1, takenAt: '2026-11-23T10:00:00.000Z' } as const;
    const empty = await createDatabase();
    const [broken, short] = [join(folder, 'broken.gz'), join(folder, 'short.gz')];
    async function* sql() {
      yield await Promise.resolve(Buffer.from('CREATE TABLE a (b INT);\nINSERT INTO nowhere VALUES (1);\n'));
    }
    await writeBackup(broken, header, sql());
    await completeBackup(broken, { a: 0 });
    await expect(restore(empty, broken, CONTROL)).rejects.toThrow('nowhere');

    // A whole copy, whose last line tells of one job more than it holds.
    async function* lines() {
      for await (const chunk of createReadStream(join(folder, 'drill.gz')).pipe(createGunzip()))
        yield chunk as Buffer;
    }
    await writeBackup(short, header, lines());
    const { rows } = (await verifyBackup(join(folder, 'drill.gz'), CONTROL)).book;
    await completeBackup(short, { ...rows, job: (rows.job ?? 0) + 1 });
    await expect(restore(empty, short, CONTROL)).rejects.toThrow('job: 5 rows, 6 when it was taken');
    const { sequelize, close } = openDatabase(empty);
    expect(await sequelize.getQueryInterface().showAllTables()).toEqual([]);
    await close();
  }, 60_000);

  test('a backup that fails leaves no file behind', async () => {
    const nowhere = { ...server.config.database, name: 'not_there' };
    const path = join(folder, 'failed.gz');
    await expect(backUp(nowhere, path, { control: CONTROL, clock })).rejects.toThrow('not_there');
    expect((await readdir(folder)).filter((name) => name.startsWith('failed'))).toEqual([]);
  });
});

describe('verifying', () => {
  const WOUNDS: readonly (readonly [string, string, RegExp])[] = [
    [
      'a trigger that is gone',
      'DROP TRIGGER log_entry_is_never_changed',
      /missing: trigger log_entry_is_never_changed/,
    ],
    ['a column that is gone', 'ALTER TABLE vehicle DROP COLUMN note', /missing: column vehicle\.note/],
    [
      'a column of somebody else',
      'ALTER TABLE vehicle ADD COLUMN colour TEXT',
      /not of this schema: column vehicle\.colour/,
    ],
    ['a key that is gone', 'ALTER TABLE person DROP KEY person_name', /missing: key person\.person_name/],
    [
      'a reading without its job',
      `SET FOREIGN_KEY_CHECKS = 0; UPDATE reading SET jobId = UUID() LIMIT 1; SET FOREIGN_KEY_CHECKS = 1`,
      /1 of reading\.jobId name a job that is not there/,
    ],
    [
      'a finished job without its signature',
      `UPDATE job SET signedBy = NULL WHERE status = 'finished'`,
      /1 finished jobs have no date or no signature/,
    ],
  ];

  test('a sound book has no fault, and each wound is named', async () => {
    const server = await startTestServer();
    const { database } = server.config;
    expect(await verifyBook(database, CONTROL)).toMatchObject({
      faults: [],
      triggers: 18,
      schema: MIGRATION_NAMES.at(-1),
    });
    for (const [, sql] of WOUNDS)
      for (const statement of sql.split('; ')) await server.database.sequelize.query(statement);
    const { faults } = await verifyBook(database, CONTROL);
    for (const [, , said] of WOUNDS) expect(faults.join('\n')).toMatch(said);
    // Nothing else: the rest of the book is as it was.
    expect(faults).toHaveLength(WOUNDS.length);
    await server.close();
  }, 60_000);

  test('an empty database is no book; one of a newer version is said to be', async () => {
    const empty = await createDatabase();
    expect((await verifyBook(empty, CONTROL)).faults).toEqual(['There is no book in this database.']);
    const newer = openDatabase(empty);
    await migrate(newer.sequelize);
    await newer.sequelize.query(`INSERT INTO schema_migration VALUES ('9999-later')`);
    await newer.close();
    expect((await verifyBook(empty, CONTROL)).faults).toEqual([
      expect.stringContaining('written by a newer one'),
    ]);
  }, 60_000);
});

describe('books of before, written by the application as it then was', () => {
  // A demo shop on which somebody took a reading and wrote a reason; from the eighth schema on with a photograph and a count.
  const JOBS = ['wick-front', 'petrelle-bars'].map((key) => demoId(`job/${key}`));

  /** What a later schema keeps elsewhere, each tested with its migration, or no longer needs: a book is of one shop. */
  const MOVED: ReadonlySet<string> = new Set([
    'vehicle.shopId',
    'stock_item.shopId',
    'job.shopId',
    'person.shopId',
    'wrench.shopId',
    'job_hose.finding',
    'job.circuitId',
    'job.circuitBefore',
    'job.circuitSigned',
  ]);

  test.each(['0001', '0008', '0014', '0017', '0018'])(
    '%s opens with nothing lost',
    async (schema) => {
      const config = await createDatabase();
      await load(
        config,
        createReadStream(join(__dirname, `../testing/old-books/${schema}.sql.gz`)).pipe(createGunzip()),
      );
      const database = openDatabase(config);
      const tables = (await database.sequelize.getQueryInterface().showAllTables()).filter(
        (name) => name !== 'schema_migration',
      );
      const all = async (named: readonly string[]) =>
        Object.fromEntries(
          await Promise.all(
            named.map(
              async (table) =>
                [table, await rowsOf(database, `SELECT * FROM ${table} ORDER BY 1, 2`)] as const,
            ),
          ),
        );
      const before = await all(tables);
      expect(before.reading?.length).toBeGreaterThan(0);
      await migrate(database.sequelize);
      const kept = tables.filter((name) => name !== 'bleed_run');
      const after = await all(kept);
      // What was counted at the nipples is a row each now.
      const counted = before.job_event
        ? before.job_event.map(({ id }) => String(id))
        : (before.bleed_run ?? []).flatMap(({ events }) =>
            (typeof events === 'string'
              ? (JSON.parse(events) as { id: string }[])
              : (events as { id: string }[])
            ).map(({ id }) => id),
          );
      expect((await rowsOf(database, 'SELECT id FROM job_event')).map(({ id }) => String(id)).sort()).toEqual(
        counted.sort(),
      );
      for (const table of kept) {
        expect([table, after[table]?.length]).toEqual([table, before[table]?.length]);
        before[table]?.forEach((row, index) => {
          const kept = Object.fromEntries(
            Object.entries(row).filter(([column]) => !MOVED.has(`${table}.${column}`)),
          );
          expect({ table, ...after[table]?.[index] }).toMatchObject({ table, ...kept });
        });
      }
      await database.close();
      expect(await verifyBook(config, CONTROL)).toMatchObject({ faults: [], schema: MIGRATION_NAMES.at(-1) });

      const server = await startTestServer();
      await through(config, server, async (get) => {
        for (const id of JOBS) expect((await get(`/api/jobs/${id}`)).statusCode).toBe(200);
        const detail = read<JobDetail>(await get(`/api/jobs/${JOB}`));
        expect(detail.job.reason).toBe('Łódź, Ωμέγα: “½″ too short”');
        expect(detail.readings.map(({ typed }) => typed)).toContain('731 mm');
        expect(
          read<VehicleDetail>(await get(`/api/vehicles/${demoId('wick')}`)).circuits.length,
        ).toBeGreaterThan(0);
        const due = read<{ items: unknown[] }>(await get('/api/due'));
        expect(due.items.length).toBeGreaterThan(0);
        for (const photo of detail.photos)
          expect((await get(photoAddress(JOB, photo.id))).rawPayload.subarray(1, 4).toString()).toBe('PNG');
        const photos = before.photo?.filter(({ jobId }) => jobId === JOB) ?? [];
        expect(detail.photos.length).toBe(photos.length);
      });
      await server.close();
    },
    60_000,
  );
});
