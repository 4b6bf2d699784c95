import type { BleedRow } from '@zephyrcombe/contract';
import fc from 'fast-check';
import { eventsAt, withBleedRows } from './bleedRuns.ts';

const NIPPLES = ['left', 'right'];

/** Rows as they arrive at the server: some take back one that came before. */
const history: fc.Arbitrary<readonly BleedRow[]> = fc
  .array(
    fc.record({
      nipple: fc.nat(1),
      kind: fc.constantFrom('stroke', 'topUp', 'outflow', 'clear', 'undo' as const),
      back: fc.nat(30),
    }),
    { maxLength: 30 },
  )
  .map((steps) => {
    const rows: BleedRow[] = [];
    for (const [index, { nipple, kind, back }] of steps.entries()) {
      const undone = rows[back % Math.max(1, rows.length)];
      if (kind === 'undo' && (undone === undefined || undone.kind === 'undo')) continue;
      rows.push({
        id: `event ${index}`,
        sequence: 100 + index,
        at: new Date(1_000_000 - index).toISOString(),
        nippleId: kind === 'undo' ? (undone?.nippleId ?? '') : (NIPPLES[nipple] ?? ''),
        kind,
        ...(kind === 'outflow' ? { outflow: 'tea' as const } : {}),
        ...(kind === 'undo' && undone ? { undoesId: undone.id } : {}),
      });
    }
    return rows;
  });

test('two phones that got the rows in pieces, some twice, show the same as one that got them at once', () => {
  fc.assert(
    fc.property(history, fc.nat(30), (rows, cut) => {
      const whole = withBleedRows([], rows);
      const first = withBleedRows([], rows.slice(0, cut));
      expect(eventsAt(withBleedRows(first, rows.slice(Math.max(0, cut - 5))), () => true)).toEqual(
        eventsAt(whole, () => true),
      );
    }),
  );
});

test('what was taken back is in no run, everything else is, in the order in which it came', () => {
  fc.assert(
    fc.property(history, (rows) => {
      const undone = new Set(rows.map(({ undoesId }) => undoesId));
      const kept = rows.filter(({ id, kind }) => kind !== 'undo' && !undone.has(id)).map(({ id }) => id);
      expect(eventsAt(withBleedRows([], rows), () => true).map(({ id }) => id)).toEqual(kept);
    }),
  );
});

test('a stroke that was shown ahead takes the place that the server gave it', () => {
  const stroke = (id: string, sequence: number): BleedRow => ({
    id,
    sequence,
    nippleId: 'left',
    kind: 'stroke',
    at: '2026-11-23T10:00:00.000Z',
  });
  const ahead = withBleedRows([], [stroke('mine', 5)]);
  const after = withBleedRows(ahead, [stroke('hers', 5), stroke('mine', 6)]);
  expect(after[0]?.events.map(({ id, sequence }) => [id, sequence])).toEqual([
    ['hers', 5],
    ['mine', 6],
  ]);
});
