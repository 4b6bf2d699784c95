/** What every change to an open job has in common: who, one transaction, a line in the log, the job as it is now. */
import type {
  Approval,
  Job,
  JobChange,
  JobDetail,
  LogDetail,
  LogKind,
  Override,
  Person,
} from '@zephyrcombe/contract';
import { LOG_DETAILS } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import type { Facts, Obstacle } from '@zephyrcombe/workshop';
import { digestOf, unanswered } from '@zephyrcombe/workshop';
import { createWriter, obstacleText, REFUSALS } from '@zephyrcombe/messages';
import { randomUUID } from 'node:crypto';
import type { Caution } from '@zephyrcombe/core';
import { stopsAmong } from '@zephyrcombe/core';
import { isWritten, sentIdOf, wasWritten } from '../../database/sentChange.ts';
import { actedAt } from '../../http/actedAt.ts';
import type { FastifyRequest } from 'fastify';
import type { Transaction } from 'sequelize';
import type { Database, Models } from '../../database/database.ts';
import type { Dependencies } from '../../dependencies.ts';
import { AppProblem } from '../../http/appProblem.ts';
import { personOf } from '../../http/access.ts';
import type { JobRow } from './job.model.ts';
import { detailOf, loadJobDetail, surroundingsOf } from './job.repository.ts';
import { keptParts, partsAfter, partsOfJobs } from './jobParts.ts';
import { changeOf } from './jobStamp.ts';
import { writeReasons } from './reasons.ts';

export interface JobAction {
  readonly job: JobRow;
  readonly detail: JobDetail;
  readonly person: Person;
  readonly now: Date;
  readonly database: Database;
  readonly models: Models;
  readonly transaction: Transaction;
  /** Appends to the job's log. */
  readonly log: <Kind extends LogKind>(kind: Kind, detail: LogDetail<Kind>) => Promise<void>;
}

/**
 * An open job as it stands, with nothing held: for asking somebody outside before anything is written. Whoever waits in a
 * transaction holds the job, and a connection, for as long as the other one is silent. `isWritten` where the same change was
 * sent before: its answer is the job as it stands.
 */
export async function readOpenJob(
  dependencies: Dependencies,
  request: FastifyRequest,
  jobId: string,
): Promise<Pick<JobAction, 'detail' | 'person' | 'now'> & { readonly isWritten: boolean }> {
  const now = dependencies.clock();
  const person = personOf(request);
  const detail = await loadJobDetail(dependencies.database, jobId);
  const known = await wasWritten(dependencies.database.models, request);
  if (!known) requireOpen(detail.job);
  return { detail, person, now, isWritten: known };
}

/** A job that is signed off or abandoned stays as it is. */
export function requireOpen({ status }: Pick<Job, 'status'>): void {
  if (status === 'finished') throw new AppProblem('job-finished');
  if (status === 'abandoned') throw new AppProblem('job-abandoned');
}

/** Runs `act` on an open job, and says what of the job it changed. A finished job is never changed. */
export async function onOpenJob(
  dependencies: Dependencies,
  request: FastifyRequest,
  jobId: string,
  act: (action: JobAction) => Promise<void>,
): Promise<JobChange> {
  const { database, clock } = dependencies;
  const now = clock();
  const person = personOf(request);
  const kept = keptParts(database);
  const { after, parts, change } = await database.transaction(async (transaction) => {
    const { models } = database;
    // Locking the job's row puts the actions on one job in a line.
    const job = await models.Job.findByPk(jobId, { transaction, lock: transaction.LOCK.UPDATE });
    if (job === null) throw new AppProblem('not-found');
    const [before] = await partsOfJobs(database, [job], transaction);
    if (before === undefined) throw new Error(`Job ${jobId} was read and is not there`);
    const around = await surroundingsOf(database, [job], [before], transaction);
    const detail = detailOf(job, before, around);
    // Sent again, it is written already: who sent it does not know the job as it is.
    if (await isWritten(models, transaction, request, now))
      return { after: job, parts: before, change: changeOf(detail, detail) };
    requireOpen(job);
    kept.raises(transaction);
    await act({
      job,
      detail,
      person,
      now,
      database,
      models,
      transaction,
      log: async (kind, entry) => {
        await writeLog(models, transaction, {
          jobId,
          kind,
          by: person.name,
          byId: person.id,
          at: actedAt(request, now),
          receivedAt: now,
          sentId: sentIdOf(request),
          detail: entry,
        });
        await writeReasons(models, transaction, detail, entry as object, person, now);
      },
    });
    await models.Job.increment('revision', { where: { id: jobId }, transaction });
    const after = await models.Job.findByPk(jobId, { transaction, rejectOnEmpty: true });
    const parts = await partsAfter(database, after, before, transaction);
    const is = detailOf(after, parts, await surroundingsOf(database, [after], [parts], transaction, around));
    return { after, parts, change: changeOf(detail, is) };
  });
  kept.keep(after, parts);
  return change;
}

/** Who approves something now, and exactly what. */
export const approved = ({ person, now }: Pick<JobAction, 'person' | 'now'>, facts: Facts): Approval => ({
  by: person.name,
  byId: person.id,
  at: now.toISOString(),
  digest: digestOf(facts),
  facts,
});

/** What is approved is what was on the screen: refused with the facts of now where something that it covers changed meanwhile. */
export function requireAsSeen(seen: string | undefined, facts: Facts): void {
  if (seen !== undefined && seen !== digestOf(facts))
    throw new AppProblem('changed-since-seen', { current: facts });
}

export interface LogLine<Kind extends LogKind> {
  readonly jobId: string;
  readonly kind: Kind;
  readonly by: string;
  readonly byId: string | null;
  readonly at: Date;
  readonly receivedAt?: Date;
  readonly sentId?: string | null;
  readonly detail: LogDetail<Kind>;
}

/** Nothing is written that its kind does not have: what cannot be read again is no record. */
export async function writeLog<Kind extends LogKind>(
  models: Models,
  transaction: Transaction,
  { detail, receivedAt, sentId, ...line }: LogLine<Kind>,
): Promise<void> {
  await models.LogEntry.create(
    {
      id: randomUUID(),
      correctsId: null,
      receivedAt: receivedAt ?? line.at,
      sentId: sentId ?? null,
      ...line,
      detail: LOG_DETAILS[line.kind].parse(detail),
    },
    { transaction },
  );
}

/** As the log keeps cautions: what stood against something when it was done, answered or not. */
export const told = (cautions: readonly Caution[]) =>
  cautions.map(({ id, evidence, subject }) => ({
    id,
    evidence,
    ...(subject === undefined ? {} : { subject }),
  }));

/**
 * Refuses while a stop stands without a reason for going on, each with its own. Technicians and leads may give one; an apprentice
 * fetches somebody who may.
 */
export const requireStopsAnswered = (
  cautions: readonly Caution[],
  overrides: readonly Override[],
  person: Person,
): void => requireAnswered(stopsAmong(cautions), overrides, person);

/** The same of cautions that want a reason though they are no stops elsewhere. */
export function requireAnswered(
  cautions: readonly Caution[],
  overrides: readonly Override[],
  person: Person,
): void {
  const mayPass = may(person, 'passStop');
  const answered = mayPass ? overrides : [];
  const open = unanswered(cautions, answered);
  if (open.length === 0) return;
  const detail = !mayPass && overrides.length > 0 ? { detail: REFUSALS.noStopForApprentice } : {};
  throw new AppProblem('stop-not-answered', { cautions: open, ...detail });
}

/** What stands in the way, named with the way out. No reason opens these gates. */
export function inTheWay(obstacles: readonly Obstacle[], person: Person): AppProblem {
  const write = createWriter(person.units);
  const texts = obstacles.map((obstacle) => ({
    // Of the plan of fitting the rule is told with it.
    code: 'rule' in obstacle && obstacle.rule !== null ? `${obstacle.code}.${obstacle.rule}` : obstacle.code,
    ...obstacleText(obstacle, write),
  }));
  return new AppProblem('stage-not-ready', {
    detail: texts.map(({ what, wayOut }) => `${what} ${wayOut}`).join(' '),
    errors: texts.map(({ code, what }) => ({ field: code, message: what })),
  });
}

/** Refuses while something stands in the way. */
export function requireWay(obstacles: readonly Obstacle[], person: Person): void {
  if (obstacles.length > 0) throw inTheWay(obstacles, person);
}
