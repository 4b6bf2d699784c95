/** The parts of a job with spares, against what lies on the shelf; the shelf is counted where it is read. */
import type { JobDetail, StockItem } from '@zephyrcombe/contract';
import { billOfJob } from '@zephyrcombe/contract';
import { partText } from '@zephyrcombe/messages';
import type { BillLine } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { stockQuery, useCountStock } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { CountEntry } from '../../design/CountEntry.ts';
import { Fine } from '../../design/layout.ts';
import { PrintTable } from '../sheets/sheetParts.ts';

export function BillTable({ detail }: { readonly detail: JobDetail }) {
  const write = useWriter();
  const stock = useQuery(stockQuery(billOfJob(detail, []).map(({ key }) => key)));
  const count = useCountStock();
  if (stock.isError) return <LoadProblem error={stock.error} onRetry={() => void stock.refetch()} />;
  const items = stock.data?.items ?? [];
  const lines = billOfJob(detail, items);
  return (
    <>
      <h2>Parts, spares and shelf</h2>
      {lines.length === 0 ? (
        <Fine>No parts yet: measure and specify a hose first.</Fine>
      ) : (
        <PrintTable>
          <thead>
            <tr>
              <th scope="col">Part</th>
              <th scope="col">Used</th>
              <th scope="col">Spare</th>
              <th scope="col">On the shelf</th>
              <th scope="col">To order</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.key}>
                <td>{partText(line.part, write)}</td>
                <td className="figure">{line.needed}</td>
                <td className="figure">{line.spare}</td>
                <td>
                  <ShelfCount
                    key={line.onHand}
                    line={line}
                    name={partText(line.part, write)}
                    item={items.find(({ key }) => key === line.key)}
                    onCount={(onHand, version) => count.mutate({ body: { key: line.key, onHand, version } })}
                  />
                </td>
                <td className="figure">
                  <strong>{line.toOrder}</strong>
                </td>
              </tr>
            ))}
          </tbody>
        </PrintTable>
      )}
      <SaveProblem save={count} />
      <Fine className="no-print">
        Washers are never used twice: half as many again are ordered. A question mark is a shelf that nobody
        has counted: what is needed is ordered whole.
      </Fine>
    </>
  );
}

interface ShelfCountProps {
  readonly line: BillLine;
  readonly name: string;
  readonly item: StockItem | undefined;
  readonly onCount: (onHand: number, version: number | null) => void;
}

/** Kept when the field is left, or on Enter. */
function ShelfCount({ line, name, item, onCount }: ShelfCountProps) {
  const [text, setText] = useState(line.onHand === null ? '' : String(line.onHand));
  const value = /^\d{1,5}$/.test(text.trim()) ? Number(text) : null;
  // Nobody has to count: an empty field is no fault until somebody has.
  const isWrong = value === null && (text.trim() !== '' || line.onHand !== null);
  const keep = () => {
    if (value !== null && value !== line.onHand) onCount(value, item?.version ?? null);
  };
  return (
    <>
      <CountEntry
        aria-label={`On the shelf: ${name}`}
        inputMode="numeric"
        value={text}
        placeholder="?"
        aria-invalid={isWrong}
        onChange={(event) => setText(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Enter') keep();
        }}
      />
      {isWrong ? <Fine role="alert">How many lie there? A whole number, 0 or more.</Fine> : null}
    </>
  );
}
