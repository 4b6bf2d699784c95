import { QueryTypes } from 'sequelize';
import { createDatabase, startTestServer } from '../testing/testServer.ts';
import type { TestServer } from '../testing/testServer.ts';
import { demoId } from '../demo/identity.ts';
import type { Database } from './database.ts';
import { openDatabase } from './database.ts';
import { migrate } from './migrations.ts';
import * as firstLight from './migrations/0001-first-light.ts';

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
    expect(await migrate(database.sequelize)).toEqual(['0001-first-light']);
    expect(await migrate(database.sequelize)).toEqual([]);
    await firstLight.down(database.sequelize.getQueryInterface());
    await firstLight.up(database.sequelize.getQueryInterface());
    expect(await database.models.Job.count()).toBe(0);
    await database.close();
  });
});
