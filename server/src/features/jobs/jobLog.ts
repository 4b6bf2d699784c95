/** The log of a job, whole or what it tells of one part or one person. */
import type { LogEntry } from '@zephyrcombe/contract';
import type { WhereOptions } from 'sequelize';
import { cast, col, Op, where } from 'sequelize';
import type { Models } from '../../database/database.ts';
import type { LogColumns } from './job.model.ts';

export interface LogQuery {
  readonly after: number;
  readonly limit: number;
  /** A hose, a joint or a nipple. */
  readonly part?: string | undefined;
  readonly by?: string | undefined;
}

/** What tells of a part names it, or names a reading or a finding of it by its own id: those that were struck out. */
async function tellsOf(models: Models, jobId: string, part: string): Promise<WhereOptions<LogColumns>> {
  const [readings, findings] = await Promise.all([
    models.Reading.findAll({ where: { jobId, hoseId: part }, attributes: ['id'] }),
    models.Finding.findAll({ where: { jobId, subjectId: part }, attributes: ['id'] }),
  ]);
  const ids = [part, ...readings.map(({ id }) => id), ...findings.map(({ id }) => id)];
  // As text: an id stands nowhere but where it is meant.
  return { [Op.or]: ids.map((id) => where(cast(col('detail'), 'char'), { [Op.like]: `%${id}%` })) };
}

export async function pageOfLog(
  models: Models,
  jobId: string,
  { after, limit, part, by }: LogQuery,
): Promise<{ items: LogEntry[]; next: string | null }> {
  const rows = await models.LogEntry.findAll({
    where: {
      [Op.and]: [
        { jobId, sequence: { [Op.gt]: after } },
        ...(by === undefined ? [] : [{ by }]),
        ...(part === undefined ? [] : [await tellsOf(models, jobId, part)]),
      ],
    },
    order: [['sequence', 'ASC']],
    limit: limit + 1,
  });
  const shown = rows.slice(0, limit);
  return {
    items: shown.map(({ id, sequence, at, receivedAt, by: who, byId, kind, detail, correctsId, sentId }) => ({
      id,
      sequence: Number(sequence),
      at: at.toISOString(),
      receivedAt: receivedAt?.toISOString() ?? null,
      by: who,
      byId,
      kind,
      detail,
      correctsId,
      sentId,
    })),
    next: rows.length > limit ? String(shown.at(-1)?.sequence ?? '') : null,
  };
}
