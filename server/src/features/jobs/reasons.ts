/** The reasons that somebody gave with an action, each with the caution that it answered. */
import { randomUUID } from 'node:crypto';
import type { JobDetail, Override, Person } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import { cautionDigest } from '@zephyrcombe/workshop';
import type { Caution } from '@zephyrcombe/core';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';

interface Entry {
  readonly overrides?: unknown;
  readonly cautions?: unknown;
  readonly hoseId?: unknown;
  readonly jointId?: unknown;
  readonly lineId?: unknown;
}

const listOf = <Item>(value: unknown): readonly Item[] =>
  Array.isArray(value) ? (value as readonly Item[]) : [];

/** The hose, hard line or joint that the action was about. */
function subjectOf(detail: JobDetail, { hoseId, jointId, lineId }: Entry): string | null {
  const { hoses, joints } = partsOf(detail);
  return [...hoses, ...joints].find(({ id }) => [hoseId, jointId, lineId].includes(id))?.name ?? null;
}

/** Writes what the entry of the log was answered with. A reason for something that did not stand answers nothing, and is left out. */
export async function writeReasons(
  models: Models,
  transaction: Transaction,
  detail: JobDetail,
  entry: Entry,
  person: Person,
  at: Date,
): Promise<void> {
  const stood = listOf<Caution>(entry.cautions);
  const rows = listOf<Override>(entry.overrides).flatMap(({ caution, reason, evidence }) => {
    const answered = stood.filter(
      (one) => one.id === caution && (evidence === undefined || cautionDigest(one) === evidence),
    );
    return answered.slice(0, 1).map((one) => ({
      id: randomUUID(),
      jobId: detail.job.id,
      caution,
      subject: one.subject ?? subjectOf(detail, entry),
      evidence: one.evidence as Record<string, unknown>,
      reason,
      at,
      by: person.name,
      byId: person.id,
      role: person.role,
    }));
  });
  if (rows.length > 0) await models.JobReason.bulkCreate(rows, { transaction });
}
