import { QueryTypes } from 'sequelize';
import { createDatabase, startTestServer } from '../testing/testServer.ts';
import type { TestServer } from '../testing/testServer.ts';
import { demoId } from '../demo/identity.ts';
import type { Database } from './database.ts';
import { openDatabase } from './database.ts';
import { migrate } from './migrations.ts';
import * as firstLight from './migrations/0001-first-light.ts';
import * as lookOver from './migrations/0002-look-over.ts';
import * as measure from './migrations/0003-measure.ts';
import * as tape from './migrations/0004-tape.ts';
import * as capsAndMarkings from './migrations/0006-caps-and-markings.ts';
import * as records from './migrations/0007-records.ts';
import * as torqueBolt from './migrations/0008-torque-bolt.ts';
import * as oneShop from './migrations/0009-one-shop.ts';
import * as lists from './migrations/0010-lists.ts';
import * as searches from './migrations/0011-searches.ts';
import * as stamps from './migrations/0012-stamps.ts';
import * as letters from './migrations/0013-letters.ts';
import * as approvals from './migrations/0014-approvals.ts';
import * as scope from './migrations/0015-scope.ts';
import * as events from './migrations/0016-events.ts';
import * as reasons from './migrations/0017-reasons.ts';
import * as known from './migrations/0018-known.ts';
import * as revision from './migrations/0019-revision.ts';
import * as lines from './migrations/0020-lines.ts';
import * as items from './migrations/0021-items.ts';
import * as log from './migrations/0022-log.ts';
import * as refit from './migrations/0023-refit.ts';
import * as fitting from './migrations/0024-fitting.ts';
import * as wrenches from './migrations/0025-wrenches-that-are-read.ts';
import * as leftOpen from './migrations/0026-left-open.ts';
import * as photographsOfSteps from './migrations/0027-photographs-of-steps.ts';
import * as hoseBuilds from './migrations/0005-hose-builds.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.close());

describe('the connector on MariaDB', () => {
  test('answers raw queries', async () => {
    const rows = await server.database.sequelize.query<{ answer: number }>('SELECT 6 * 7 AS answer', {
      type: QueryTypes.SELECT,
    });
    expect(rows).toEqual([{ answer: 42 }]);
    const [versions] = await server.database.sequelize.query('SELECT VERSION() AS version');
    expect(JSON.stringify(versions)).toContain('MariaDB');
  });

  test('keeps JSON, doubles, instants to the millisecond, dates and flags as they were', async () => {
    const { Reading, Vehicle } = server.database.models;
    const takenAt = new Date('2026-11-23T09:08:07.654Z');
    const reading = await Reading.create({
      id: demoId('connector reading'),
      jobId: demoId('job/wick-front'),
      hoseId: demoId('wick/front/hose'),
      pose: 'fullDroop',
      length_m: 0.1 + 0.2,
      typed: '30 cm ½ “ü”',
      datum: { endA: 'eyeCentre', endB: 'behindNeck' },
      aid: 'tube',
      remainingTravel_m: 1e-9,
      takenBy: 'Brannoc Hale',
      takenAt,
      struckBecause: null,
    });
    const back = await Reading.findByPk(reading.id, { rejectOnEmpty: true });
    expect(back.get({ plain: true })).toMatchObject({
      length_m: 0.1 + 0.2,
      remainingTravel_m: 1e-9,
      typed: '30 cm ½ “ü”',
      datum: { endA: 'eyeCentre', endB: 'behindNeck' },
      takenAt,
    });
    await reading.destroy();
    const van = await Vehicle.findByPk(demoId('tollan'), { rejectOnEmpty: true });
    expect(van.abs).toBe(true);
    expect(van.linkedBrakes).toBe(false);
    const hose = await server.database.models.Hose.findByPk(demoId('wick/front/hose'), {
      rejectOnEmpty: true,
    });
    expect(hose.madeOn).toBe('2021-03-01');
  });

  test('takes a decimal column to the last digit', async () => {
    const { sequelize } = server.database;
    await sequelize.query('CREATE TEMPORARY TABLE amounts (amount DECIMAL(12,4))');
    await sequelize.query('INSERT INTO amounts VALUES (12345678.1234)');
    const [row] = await sequelize.query<{ amount: string }>('SELECT amount FROM amounts', {
      type: QueryTypes.SELECT,
    });
    expect(String(row?.amount)).toBe('12345678.1234');
  });
});

describe('transactions', () => {
  const rename = (database: Database, key: string, note: string) =>
    database.models.Vehicle.update({ note }, { where: { id: demoId(key) } });

  test('leave nothing behind when the action fails', async () => {
    const failing = server.database.transaction(async (transaction) => {
      await server.database.models.Vehicle.update(
        { note: 'half done' },
        { where: { id: demoId('wick') }, transaction },
      );
      throw new Error('the lamp went out');
    });
    await expect(failing).rejects.toThrow('the lamp went out');
    const wick = await server.database.models.Vehicle.findByPk(demoId('wick'), { rejectOnEmpty: true });
    expect(wick.note).not.toBe('half done');
  });

  test('are tried again when the server breaks a deadlock', async () => {
    const { models, transaction } = server.database;
    let attempts = 0;
    // Both lock their first row before either asks for its second.
    let arrived = 0;
    let open: () => void = () => undefined;
    const bothHold = new Promise<void>((resolve) => {
      open = resolve;
    });
    const crossing = (first: string, second: string) =>
      transaction(async (current) => {
        attempts += 1;
        await models.Vehicle.update(
          { note: `${first} first` },
          { where: { id: demoId(first) }, transaction: current },
        );
        arrived += 1;
        if (arrived >= 2) open();
        await bothHold;
        await models.Vehicle.update(
          { note: `${first} second` },
          { where: { id: demoId(second) }, transaction: current },
        );
      });
    await Promise.all([crossing('calder', 'brindle'), crossing('brindle', 'calder')]);
    expect(attempts).toBe(3);
    await rename(server.database, 'calder', '');
  });
});

describe('the job log', () => {
  test('is append-only: the database itself refuses to change it', async () => {
    const { sequelize } = server.database;
    await expect(sequelize.query(`UPDATE log_entry SET \`by\` = 'nobody'`)).rejects.toThrow('append-only');
    await expect(sequelize.query('DELETE FROM log_entry')).rejects.toThrow('append-only');
    expect(await server.database.models.LogEntry.count()).toBeGreaterThan(5);
  });
});

describe('migrations', () => {
  test('run once, and go back and forth', async () => {
    const database = openDatabase(await createDatabase());
    expect(await migrate(database.sequelize)).toEqual([
      '0001-first-light',
      '0002-look-over',
      '0003-measure',
      '0004-tape',
      '0005-hose-builds',
      '0006-caps-and-markings',
      '0007-records',
      '0008-torque-bolt',
      '0009-one-shop',
      '0010-lists',
      '0011-searches',
      '0012-stamps',
      '0013-letters',
      '0014-approvals',
      '0015-scope',
      '0016-events',
      '0017-reasons',
      '0018-known',
      '0019-revision',
      '0020-lines',
      '0021-items',
      '0022-log',
      '0023-refit',
      '0024-fitting',
      '0025-wrenches-that-are-read',
      '0026-left-open',
      '0027-photographs-of-steps',
    ]);
    expect(await migrate(database.sequelize)).toEqual([]);
    const queries = database.sequelize.getQueryInterface();
    await photographsOfSteps.down(queries);
    await leftOpen.down(queries);
    await wrenches.down(queries);
    await fitting.down(queries);
    await refit.down(queries);
    await log.down(queries);
    await items.down(queries);
    await lines.down(queries);
    await revision.down(queries);
    await known.down(queries);
    await reasons.down(queries);
    await events.down(queries);
    await scope.down(queries);
    await approvals.down(queries);
    await letters.down(queries);
    await stamps.down();
    await searches.down(queries);
    await lists.down(queries);
    await oneShop.down(queries);
    await torqueBolt.down(queries);
    await records.down(queries);
    await capsAndMarkings.down(queries);
    await hoseBuilds.down(queries);
    await tape.down(queries);
    await measure.down(queries);
    await lookOver.down(queries);
    await firstLight.down(queries);
    await firstLight.up(queries);
    await lookOver.up(queries);
    await measure.up(queries);
    await tape.up(queries);
    await hoseBuilds.up(queries);
    await capsAndMarkings.up(queries);
    await records.up(queries);
    await torqueBolt.up(queries);
    await oneShop.up(queries);
    await lists.up(queries);
    await searches.up(queries);
    await stamps.up(queries);
    await letters.up(queries);
    await approvals.up(queries);
    await scope.up(queries);
    await events.up(queries);
    await reasons.up(queries);
    await known.up(queries);
    await revision.up(queries);
    await lines.up(queries);
    await items.up(queries);
    await log.up(queries);
    await refit.up(queries);
    await fitting.up(queries);
    await wrenches.up(queries);
    await leftOpen.up(queries);
    await photographsOfSteps.up(queries);
    expect(await database.models.StockItem.count()).toBe(0);
    expect(await database.models.Job.count()).toBe(0);
    expect(await database.models.Corner.count()).toBe(0);
    await database.close();
  });

  test('what is kept whole gets the id of who made it, by the name as it was; an unknown name keeps none', async () => {
    const own = await startTestServer();
    const { sequelize, models } = own.database;
    const brannoc = demoId('brannoc');
    await sequelize.query(`UPDATE job_hose SET makeUp = ?, kit = ? WHERE jobId = ?`, {
      replacements: [
        JSON.stringify({
          steps: [
            { step: 'cut', by: 'BRANNOC HALE', at: '2026-01-02T10:00:00.000Z' },
            { step: 'clean', by: 'Somebody Else', at: '2026-01-02T10:01:00.000Z' },
            { step: 'slide', by: 'Brannoc Hale', byId: demoId('tamsin'), at: '2026-01-02T10:02:00.000Z' },
          ],
          proofs: [],
        }),
        JSON.stringify({ found: { marking: '"by":' }, by: 'Brannoc Hale', byId: null, decided: null }),
        demoId('job/wick-front'),
      ],
    });
    await sequelize.query(`DELETE FROM schema_migration WHERE name = '0012-stamps'`);
    expect(await migrate(sequelize)).toEqual(['0012-stamps']);
    const row = await models.JobHose.findOne({
      where: { jobId: demoId('job/wick-front') },
      rejectOnEmpty: true,
    });
    const { steps } = row.makeUp as unknown as { steps: readonly { byId?: string }[] };
    // Who is named already stays, whatever the name says.
    expect(steps.map(({ byId }) => byId)).toEqual([brannoc, undefined, demoId('tamsin')]);
    expect(row.kit).toMatchObject({ by: 'Brannoc Hale', byId: brannoc, found: { marking: '"by":' } });
    await own.close();
  });

  test('a finding that stood on the hose of a job becomes a finding of its own, and back', async () => {
    const { sequelize, close } = openDatabase(await createDatabase());
    const queries = sequelize.getQueryInterface();
    await firstLight.up(queries);
    const insert = (table: string, row: Record<string, string | number>) =>
      sequelize.query(
        `INSERT INTO ${table} (${Object.keys(row)
          .map((name) => `\`${name}\``)
          .join(', ')}) VALUES (${Object.keys(row)
          .map(() => '?')
          .join(', ')})`,
        { replacements: Object.values(row) },
      );
    await insert('shop', { id: 's', name: 'Shop', slack_m: 0.01, fluidIntervalMonths: 24 });
    await insert('vehicle', {
      id: 'v',
      shopId: 's',
      name: 'V',
      kind: 'motorcycle',
      use: 'road',
      abs: 0,
      linkedBrakes: 0,
      electricBooster: 0,
      note: '',
    });
    await insert('circuit', { id: 'c', vehicleId: 'v', name: 'Front', fluidGrade: 'DOT 4', position: 0 });
    await insert('component', {
      id: 'm',
      circuitId: 'c',
      kind: 'master',
      name: 'M',
      body: 'handlebar',
      position: 0,
    });
    await insert('port', {
      id: 'p',
      componentId: 'm',
      name: 'P',
      thread: 'M10×1.0',
      gender: 'internal',
      seat: 'flatWasherFace',
      position: 0,
    });
    await insert('joint', {
      id: 'j',
      circuitId: 'c',
      portId: 'p',
      componentId: 'm',
      name: 'J',
      seal: 'banjo',
      torque: '{}',
      position: 0,
    });
    for (const id of ['chafed-hose', 'sound-hose'])
      await insert('hose', {
        id,
        circuitId: 'c',
        name: id,
        fromJointId: 'j',
        toJointId: 'j',
        length_m: 1,
        bore_m: 0.003,
        endA: '{}',
        endB: '{}',
        position: 0,
      });
    await insert('job', {
      id: 'job',
      shopId: 's',
      vehicleId: 'v',
      circuitId: 'c',
      title: 'T',
      reason: '',
      status: 'open',
      openedOn: '2026-01-02',
      openedBy: 'Brannoc Hale',
      endsConfirmed: 0,
      fitChecks: '{}',
      handoverChecks: '{}',
    });
    for (const [hoseId, finding] of [
      ['chafed-hose', 'chafed'],
      ['sound-hose', 'sound'],
    ])
      await insert('job_hose', {
        jobId: 'job',
        hoseId: hoseId ?? '',
        finding: finding ?? '',
        poseChecks: hoseId === 'chafed-hose' ? '{"controlsFinal":true}' : '{}',
        orderDatum: '{}',
        endA: '{}',
        endB: '{}',
        specified: 0,
        position: 0,
      });

    await lookOver.up(queries);
    await sequelize.query('UPDATE finding SET id = "chafed"');
    const [findings] = await sequelize.query('SELECT subjectId, `condition`, foundBy FROM finding');
    expect(findings).toEqual([{ subjectId: 'chafed-hose', condition: 'chafed', foundBy: 'Brannoc Hale' }]);
    const [hoses] = await sequelize.query('SELECT kind, estimated FROM hose WHERE id = "chafed-hose"');
    expect(hoses).toEqual([{ kind: 'hose', estimated: 0 }]);
    await measure.up(queries);
    await insert('photo', {
      id: 'photo',
      findingId: 'chafed',
      mediaType: 'image/png',
      width_px: 1,
      height_px: 1,
      size_bytes: 1,
      bytes: 'x',
      takenBy: 'Brannoc Hale',
      takenAt: '2026-01-02 10:00:00',
    });
    await tape.up(queries);
    const [photos] = await sequelize.query('SELECT jobId, subject, subjectId FROM photo');
    expect(photos).toEqual([{ jobId: 'job', subject: 'finding', subjectId: 'chafed' }]);
    const [checks] = await sequelize.query('SELECT hoseId, poseChecks FROM job_hose ORDER BY hoseId');
    // One tick stood for the controls and the brackets.
    expect(
      (checks as { poseChecks: unknown }[]).map(({ poseChecks }) =>
        typeof poseChecks === 'string' ? (JSON.parse(poseChecks) as unknown) : poseChecks,
      ),
    ).toEqual([
      { controlsFinal: true, bracketsInPlace: true, crossedUp: false },
      { bracketsInPlace: false, crossedUp: false },
    ]);
    await hoseBuilds.up(queries);
    const [kept] = await sequelize.query('SELECT hoseId, build, plugs FROM job_hose ORDER BY hoseId');
    // Hoses of before have no build of their own, and no cap was counted on them.
    expect(kept).toMatchObject([{ build: null }, { build: null }]);
    expect(JSON.stringify(kept)).toContain('put');
    // Somebody had counted on one of them.
    await sequelize.query(`UPDATE job_hose SET plugs = '{"put":3,"out":2}' WHERE hoseId = 'chafed-hose'`);
    await capsAndMarkings.up(queries);
    const capsNow = async () => {
      const [rows] = await sequelize.query('SELECT plugs FROM job_hose ORDER BY hoseId');
      return (rows as { plugs: unknown }[]).map(({ plugs }) =>
        typeof plugs === 'string' ? (JSON.parse(plugs) as unknown) : plugs,
      );
    };
    expect(await capsNow()).toEqual([
      { A: { put: 3, out: 2 }, B: null },
      { A: null, B: null },
    ]);
    await records.up(queries);
    const figures = async () => {
      const [rows] = await sequelize.query('SELECT torque, furtherTorques FROM joint');
      return (rows as Record<string, unknown>[]).map((row) =>
        Object.values(row).map((value) =>
          typeof value === 'string' ? (JSON.parse(value) as unknown) : value,
        ),
      );
    };
    const kit = { part: 'kit', minimum_Nm: 18, maximum_Nm: 21, source: 'hoseMaker', isFitted: true };
    await sequelize.query(`UPDATE joint SET torque = '{"source":"vehicleMaker"}', furtherTorques = ?`, {
      replacements: [JSON.stringify([kit])],
    });
    await torqueBolt.up(queries);
    // An older book never asked: no figure is said to be for the bolt that happens to be drawn.
    expect(await figures()).toEqual([
      [{ source: 'vehicleMaker', forBolt: null }, [{ ...kit, forBolt: null }]],
    ]);
    await insert('person', {
      id: 'brannoc',
      shopId: 's',
      name: 'Brannoc Hale',
      role: 'technician',
      units: '{}',
      passphraseHash: '',
    });
    await sequelize.query(`UPDATE component SET name = '\u200b\u3164'`);
    await insert('stock_item', { shopId: 's', key: 'hose', onHand: 3 });
    await insert('log_entry', {
      id: 'line',
      jobId: 'job',
      at: '2026-01-02 10:00:00',
      by: 'brannoc hale',
      kind: 'opened',
      detail: '{}',
    });
    await insert('shop', { id: 's2', name: 'Branch', slack_m: 0.01, fluidIntervalMonths: 24 });
    // Whose vehicle is whose would be lost: nothing is touched, and the way out is said.
    await expect(oneShop.up(queries)).rejects.toThrow('This book holds 2 shops');
    const [ofShop] = await sequelize.query('SELECT shopId FROM vehicle');
    expect(ofShop).toEqual([{ shopId: 's' }]);
    await sequelize.query(`DELETE FROM shop WHERE id = 's2'`);
    await oneShop.up(queries);
    const [stamps] = await sequelize.query(
      'SELECT job.openedById, finding.foundById, log_entry.byId, stock_item.onHand FROM job, finding, log_entry, stock_item',
    );
    const [names] = await sequelize.query(
      'SELECT component.name AS part, vehicle.name AS vehicle FROM component, vehicle',
    );
    // What nobody could see or find has a name; what could be seen keeps its own.
    expect(names).toEqual([{ part: '(no name) m', vehicle: 'V' }]);
    // The record says who; the sheet keeps the name as it was written then.
    expect(stamps).toEqual([{ openedById: 'brannoc', foundById: 'brannoc', byId: 'brannoc', onHand: 3 }]);
    await expect(sequelize.query('UPDATE log_entry SET byId = NULL')).rejects.toThrow('append-only');
    await expect(
      insert('shop', { id: 's2', name: 'Branch', slack_m: 0.01, fluidIntervalMonths: 24 }),
    ).rejects.toThrow();
    await oneShop.down(queries);
    const [back1] = await sequelize.query(
      'SELECT vehicle.shopId AS vehicle, job.shopId AS job, person.shopId AS person, stock_item.shopId AS stock FROM vehicle, job, person, stock_item',
    );
    expect(back1).toEqual([{ vehicle: 's', job: 's', person: 's', stock: 's' }]);
    await sequelize.query('DROP TRIGGER log_entry_is_never_removed');
    await sequelize.query('DELETE FROM log_entry');
    await torqueBolt.down(queries);
    expect(await figures()).toEqual([[{ source: 'vehicleMaker' }, [kit]]]);
    await records.down(queries);
    await capsAndMarkings.down(queries);
    expect(await capsNow()).toEqual([
      { put: 3, out: 2 },
      { put: 0, out: 0 },
    ]);
    await hoseBuilds.down(queries);
    await tape.down(queries);
    await measure.down(queries);
    await sequelize.query('DELETE FROM photo');
    await lookOver.down(queries);
    const [back] = await sequelize.query('SELECT hoseId, finding FROM job_hose ORDER BY hoseId');
    expect(back).toEqual([
      { hoseId: 'chafed-hose', finding: 'chafed' },
      { hoseId: 'sound-hose', finding: 'sound' },
    ]);
    await close();
  });
});
