/** Judgements that were kept with a job, read back: of each thing the newest counts. It does not end at the bench. */
import type { LogKind } from '@zephyrcombe/contract';
import type { Caution } from '@zephyrcombe/core';
import type { Transaction } from 'sequelize';
import type { Models } from '../../database/database.ts';

type EvidenceKind = Extract<LogKind, 'donorChecked' | 'routeJudged' | 'lineJudged'>;
export const EVIDENCE_KINDS: readonly EvidenceKind[] = ['donorChecked', 'routeJudged', 'lineJudged'];

export interface Kept {
  readonly kind: EvidenceKind;
  /** The hose, or the name of the line. */
  readonly subject: string;
  readonly cautions: readonly Caution[];
}

const textOf = (value: unknown): string | null => (typeof value === 'string' ? value : null);

export async function keptEvidence(
  models: Models,
  jobId: string,
  transaction?: Transaction,
): Promise<readonly Kept[]> {
  const lines = await models.LogEntry.findAll({
    where: { jobId, kind: [...EVIDENCE_KINDS] },
    order: [['sequence', 'ASC']],
    ...(transaction ? { transaction } : {}),
  });
  const newest = new Map<string, Kept>();
  for (const { kind, detail } of lines) {
    const subject = textOf(detail.hoseId) ?? textOf(detail.name) ?? '';
    newest.set(`${kind} ${subject}`, {
      kind: kind as EvidenceKind,
      subject,
      cautions: (detail.cautions ?? []) as Caution[],
    });
  }
  return [...newest.values()];
}

/** What the kept judgements of one kind say, of one subject where it is named. */
export const evidenceCautions = (
  kept: readonly Kept[],
  kind: EvidenceKind,
  subject?: string,
): readonly Caution[] =>
  kept
    .filter((one) => one.kind === kind && (subject === undefined || one.subject === subject))
    .flatMap(({ cautions }) => cautions);
