/** The open database: connection, models, transactions. */
import type { Transaction } from 'sequelize';
import { ConnectionRefusedError, Sequelize, Transaction as SequelizeTransaction } from 'sequelize';
import type { DatabaseConfig } from '../config.ts';
import { defineJobEvent } from '../features/bleeding/jobEvent.model.ts';
import { defineEndSheet } from '../features/ends/endSheet.model.ts';
import { defineFinding } from '../features/findings/finding.model.ts';
import { defineFitFact, defineFitStep } from '../features/fitting/fitting.model.ts';
import { defineFluidService } from '../features/fluid-services/fluidService.model.ts';
import { defineCorner } from '../features/corners/corner.model.ts';
import {
  defineJob,
  defineJobCircuit,
  defineJobHose,
  defineJobJoint,
  defineJobItem,
  defineJobLine,
  defineLogEntry,
} from '../features/jobs/job.model.ts';
import { defineReason } from '../features/jobs/reason.model.ts';
import { definePhoto } from '../features/photos/photo.model.ts';
import { defineReading } from '../features/readings/reading.model.ts';
import { definePerson, defineShop, defineStockItem, defineWrench } from '../features/shop/shop.model.ts';
import { defineSession } from '../features/sessions/session.model.ts';
import { defineTorquePull } from '../features/torque/torquePull.model.ts';
import { defineTorqueRecord } from '../features/torque/torqueRecord.model.ts';
import { defineTrace } from '../features/traces/trace.model.ts';
import {
  defineCircuit,
  defineCircuitDue,
  defineComponent,
  defineHose,
  defineJoint,
  definePort,
  defineVehicle,
  defineVehicleChange,
} from '../features/vehicles/vehicle.model.ts';
import { isDeadlock, wasNotConnected } from './failures.ts';
import { defineSentChange } from './sentChange.model.ts';
import { commitIsSent, nothingStands } from './outcome.ts';
import type { Writes } from './writes.ts';
import { watchWrites } from './writes.ts';

/** A technician waits at the wheel: an absent database is said within seconds. */
const CONNECT_TIMEOUT_ms = 3000;
const ACQUIRE_TIMEOUT_ms = 5000;
const TRIES = 4;
/** The answer is due within ten seconds, whatever holds a statement up. */
const STATEMENT_LIMIT_s = 7;
const LOCK_WAIT_s = 5;

interface Connection {
  query(sql: string, done: (error: Error | null) => void): void;
}

const limitStatements = (connection: Connection): Promise<void> =>
  new Promise((resolve, reject) => {
    connection.query(
      `SET SESSION max_statement_time = ${STATEMENT_LIMIT_s}, innodb_lock_wait_timeout = ${LOCK_WAIT_s}`,
      (error) => (error ? reject(error) : resolve()),
    );
  });

function defineModels(sequelize: Sequelize) {
  return {
    Shop: defineShop(sequelize),
    Person: definePerson(sequelize),
    Session: defineSession(sequelize),
    SentChange: defineSentChange(sequelize),
    StockItem: defineStockItem(sequelize),
    Wrench: defineWrench(sequelize),
    Vehicle: defineVehicle(sequelize),
    VehicleChange: defineVehicleChange(sequelize),
    Corner: defineCorner(sequelize),
    EndSheet: defineEndSheet(sequelize),
    Circuit: defineCircuit(sequelize),
    CircuitDue: defineCircuitDue(sequelize),
    Component: defineComponent(sequelize),
    Port: definePort(sequelize),
    Joint: defineJoint(sequelize),
    Hose: defineHose(sequelize),
    Job: defineJob(sequelize),
    JobCircuit: defineJobCircuit(sequelize),
    JobHose: defineJobHose(sequelize),
    JobLine: defineJobLine(sequelize),
    JobItem: defineJobItem(sequelize),
    JobJoint: defineJobJoint(sequelize),
    JobReason: defineReason(sequelize),
    LogEntry: defineLogEntry(sequelize),
    Reading: defineReading(sequelize),
    TorqueRecord: defineTorqueRecord(sequelize),
    TorquePull: defineTorquePull(sequelize),
    JobEvent: defineJobEvent(sequelize),
    FitStep: defineFitStep(sequelize),
    FitFact: defineFitFact(sequelize),
    FluidService: defineFluidService(sequelize),
    Finding: defineFinding(sequelize),
    Photo: definePhoto(sequelize),
    Trace: defineTrace(sequelize),
  };
}

export type Models = ReturnType<typeof defineModels>;

export interface Database {
  readonly sequelize: Sequelize;
  readonly models: Models;
  readonly writes: Writes;
  /** One transaction per user action. Tried again when the server chose it to break a deadlock, or when it never began. */
  readonly transaction: <Value>(action: (transaction: Transaction) => Promise<Value>) => Promise<Value>;
  /** A change that is one statement, and so whole or not there: without a transaction round it. */
  readonly statement: <Value>(run: (sequelize: Sequelize) => Promise<Value>) => Promise<Value>;
  readonly close: () => Promise<void>;
}

async function once<Value>(
  sequelize: Sequelize,
  action: (transaction: Transaction) => Promise<Value>,
): Promise<Value> {
  let done = false;
  try {
    return await sequelize.transaction(
      { isolationLevel: SequelizeTransaction.ISOLATION_LEVELS.READ_COMMITTED },
      async (transaction) => {
        const value = await action(transaction);
        commitIsSent();
        done = true;
        return value;
      },
    );
  } catch (error) {
    if (!done) nothingStands(error);
    throw error;
  }
}

export interface DatabaseOptions {
  /** Nobody waits for an answer at the wheel: a statement may take as long as it takes. */
  readonly isPatient?: boolean;
}

export function openDatabase(config: DatabaseConfig, { isPatient = false }: DatabaseOptions = {}): Database {
  const sequelize = new Sequelize(config.name, config.user, config.password, {
    host: config.host,
    port: config.port,
    dialect: 'mysql',
    timezone: '+00:00',
    logging: false,
    pool: { max: 10, acquire: ACQUIRE_TIMEOUT_ms },
    // A refusal from while the database was away may still be coming when it is back. Nothing was sent: asked again at once.
    retry: { match: [ConnectionRefusedError], max: TRIES },
    dialectOptions: { connectTimeout: CONNECT_TIMEOUT_ms, charset: 'utf8mb4' },
  });
  if (!isPatient)
    sequelize.addHook('afterConnect', (connection) => limitStatements(connection as Connection));
  return {
    sequelize,
    models: defineModels(sequelize),
    writes: watchWrites(sequelize),
    async transaction(action) {
      for (let attempt = 1; ; attempt += 1) {
        try {
          return await once(sequelize, action);
        } catch (error) {
          if (attempt >= TRIES || !(isDeadlock(error) || wasNotConnected(error))) throw error;
        }
      }
    },
    async statement(run) {
      for (let attempt = 1; ; attempt += 1) {
        try {
          commitIsSent();
          return await run(sequelize);
        } catch (error) {
          if (!(isDeadlock(error) || wasNotConnected(error))) throw error;
          nothingStands(error);
          if (attempt >= TRIES) throw error;
        }
      }
    },
    close: () => sequelize.close(),
  };
}
