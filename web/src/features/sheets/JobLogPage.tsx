import type { JobDetail, LogEntry } from '@zephyrcombe/contract';
import { LOG_NAMES, POSE_NAMES } from '@zephyrcombe/contract';
import { useInfiniteQuery } from '@tanstack/react-query';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { jobLogQuery } from '../../api/queries.ts';
import { MoreButton } from '../../design/MoreButton.tsx';
import { useWriter } from '../../app/SessionContext.ts';
import { JobSheet } from './JobSheet.tsx';
import { describeEntry } from './describeEntry.ts';
import { PrintTable } from './sheetParts.ts';

/** Who did what and when. Nothing in it is ever changed. */
export function JobLogPage() {
  return <JobSheet title="Job log">{(detail) => <LogTable detail={detail} />}</JobSheet>;
}

function LogTable({ detail }: { readonly detail: JobDetail }) {
  const log = useInfiniteQuery(jobLogQuery(detail.job.id));
  const write = useWriter();
  if (log.isError) return <LoadProblem error={log.error} onRetry={() => void log.refetch()} />;
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
          {(log.data?.pages ?? [])
            .flatMap((page) => page.items)
            .map((entry: LogEntry) => (
              <tr key={entry.id}>
                <td className="figure">{write.moment(entry.at)}</td>
                <td style={{ overflowWrap: 'normal', wordBreak: 'normal' }}>{entry.by}</td>
                <td>
                  {LOG_NAMES[entry.kind]}
                  {describeEntry(entry, detail, write, POSE_NAMES)}
                </td>
              </tr>
            ))}
        </tbody>
      </PrintTable>
      <MoreButton list={log} />
    </>
  );
}
