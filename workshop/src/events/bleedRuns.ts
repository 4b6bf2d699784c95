/** What was done at each nipple, folded from the rows that tell of it. The same on the server and on every phone of the job. */
import type { BleedRow, BleedRun, StoredBleedEvent } from '@zephyrcombe/contract';

function eventOf({ id, kind, outflow, volume_m3, at, sequence }: BleedRow): StoredBleedEvent | null {
  switch (kind) {
    case 'undo':
      return null;
    case 'outflow':
      return outflow === undefined ? null : { id, kind, outflow, at, sequence };
    case 'volume':
      return volume_m3 === undefined ? null : { id, kind, volume_m3, at, sequence };
    default:
      return { id, kind, at, sequence };
  }
}

const inOrder = (one: StoredBleedEvent, other: StoredBleedEvent) => one.sequence - other.sequence;

/**
 * The runs with these rows taken in, in whatever order and however often they come. An event that was taken back is in none;
 * one that was shown before it was sent takes the place that it got.
 */
export function withBleedRows(runs: readonly BleedRun[], rows: readonly BleedRow[]): BleedRun[] {
  const events = new Map<string, { readonly nippleId: string; readonly event: StoredBleedEvent }>();
  for (const { nippleId, events: known } of runs)
    for (const event of known) events.set(event.id, { nippleId, event });
  for (const row of rows) {
    const event = eventOf(row);
    if (event) events.set(event.id, { nippleId: row.nippleId, event });
  }
  for (const { undoesId } of rows) if (undoesId !== undefined) events.delete(undoesId);
  const nipples = new Set([...runs.map(({ nippleId }) => nippleId), ...rows.map(({ nippleId }) => nippleId)]);
  return [...nipples].map((nippleId) => ({
    nippleId,
    events: [...events.values()]
      .filter((one) => one.nippleId === nippleId)
      .map(({ event }) => event)
      .sort(inOrder),
  }));
}

/** Everything that was done at some nipples, in the order in which it arrived. */
export const eventsAt = (
  runs: readonly BleedRun[],
  isMeant: (nippleId: string) => boolean,
): readonly StoredBleedEvent[] =>
  runs
    .filter(({ nippleId }) => isMeant(nippleId))
    .flatMap(({ events }) => events)
    .sort(inOrder);
