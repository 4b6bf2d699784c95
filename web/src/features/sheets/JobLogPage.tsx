import type { JobDetail, LogEntry } from '@zephyrcombe/contract';
import { nipplesOf, partsOf } from '@zephyrcombe/contract';
import { describeEntry, LOG_NAMES } from '@zephyrcombe/messages';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import type { LogFilter } from '../../api/queries.ts';
import { jobLogQuery } from '../../api/queries.ts';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Fine, Label } from '../../design/layout.ts';
import { MoreButton } from '../../design/MoreButton.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { JobSheet } from './JobSheet.tsx';
import { PrintTable } from './sheetParts.ts';

/** Who did what and when. Nothing in it is ever changed. */
export function JobLogPage() {
  return <JobSheet title="Job log">{(detail) => <FilteredLog detail={detail} />}</JobSheet>;
}

function FilteredLog({ detail }: { readonly detail: JobDetail }) {
  const [search, setSearch] = useSearchParams();
  const [part, by] = [search.get('part') ?? '', search.get('by') ?? ''];
  const filter: LogFilter = { ...(part === '' ? {} : { part }), ...(by === '' ? {} : { by }) };
  const put = (key: 'part' | 'by', value: string) =>
    setSearch(
      (before) => {
        const query = new URLSearchParams(before);
        if (value === '') query.delete(key);
        else query.set(key, value);
        return query;
      },
      { replace: true },
    );
  const all = useInfiniteQuery(jobLogQuery(detail.job.id));
  const people = [
    ...new Set([
      ...(all.data?.pages ?? []).flatMap(({ items }) => items.map((entry) => entry.by)),
      ...(by === '' ? [] : [by]),
    ]),
  ].sort((one, other) => one.localeCompare(other));
  return (
    <>
      <Beside className="no-print" style={{ marginTop: 12 }}>
        <Pick
          label="Of what"
          value={part}
          options={[{ value: '', text: 'the whole job' }, ...partsToAskFor(detail)]}
          onChange={(value) => put('part', value)}
        />
        <Pick
          label="By whom"
          value={by}
          options={[{ value: '', text: 'anybody' }, ...people.map((name) => ({ value: name, text: name }))]}
          onChange={(value) => put('by', value)}
        />
      </Beside>
      <LogTable key={`${part} ${by}`} detail={detail} filter={filter} />
    </>
  );
}

/** Hoses, hard lines and joints of the job, and the nipples of its circuits. */
function partsToAskFor(detail: JobDetail): readonly { readonly value: string; readonly text: string }[] {
  const { hoses, joints } = partsOf(detail);
  const named = (kind: string, parts: readonly { readonly id: string; readonly name: string }[]) =>
    parts.map(({ id, name }) => ({ value: id, text: `${kind} ${name}` }));
  return [
    ...named(
      'hose',
      hoses.filter(({ id }) => detail.hoses.some(({ hoseId }) => hoseId === id)),
    ),
    ...named(
      'hard line',
      hoses.filter(({ id }) => detail.lines.some(({ lineId }) => lineId === id)),
    ),
    ...named(
      'joint',
      joints.filter(({ id }) => detail.joints.some(({ jointId }) => jointId === id)),
    ),
    ...named('nipple', nipplesOf(detail)),
  ];
}

/** What was done out of reach is in the book later than it was done. */
const LATE_ms = 60_000;
const isLate = ({ at, receivedAt }: LogEntry): boolean =>
  receivedAt !== null && Date.parse(receivedAt) - Date.parse(at) > LATE_ms;

interface LogTableProps {
  readonly detail: JobDetail;
  readonly filter: LogFilter;
}

function LogTable({ detail, filter }: LogTableProps) {
  const log = useInfiniteQuery(jobLogQuery(detail.job.id, filter));
  const write = useWriter();
  if (log.isError) return <LoadProblem error={log.error} onRetry={() => void log.refetch()} />;
  const entries = (log.data?.pages ?? []).flatMap((page) => page.items);
  if (log.data && entries.length === 0) return <Fine>Nothing is on record of that.</Fine>;
  return (
    <>
      <PrintTable style={{ marginTop: 16 }}>
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">What</th>
          </tr>
        </thead>
        <tbody>
          {entries.map((entry: LogEntry) => (
            <tr key={entry.id}>
              <td className="figure">
                {write.moment(entry.at)}
                {isLate(entry) ? <Label> came {write.moment(entry.receivedAt ?? entry.at)}</Label> : null}
              </td>
              <td style={{ overflowWrap: 'normal', wordBreak: 'normal' }}>{entry.by}</td>
              <td>
                {LOG_NAMES[entry.kind]}
                {describeEntry(entry, detail, write)}
              </td>
            </tr>
          ))}
        </tbody>
      </PrintTable>
      <MoreButton list={log} />
    </>
  );
}
