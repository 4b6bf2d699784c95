import type { JobDetail } from '@zephyrcombe/contract';
import { circuitNames } from '@zephyrcombe/contract';
import { useQuery } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { jobQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Fine, Head, Line, Page } from '../../design/layout.ts';
import { AbandonedNotice } from '../job/AbandonedNotice.tsx';
import { Paper } from './sheetParts.ts';

interface JobSheetProps {
  readonly title: string;
  readonly children: (detail: JobDetail) => ReactNode;
}

/** What every printed sheet of a job has: head, vehicle, and the way back on screen. */
export function JobSheet({ title, children }: JobSheetProps) {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const write = useWriter();
  useCrumb(job.data ? `${job.data.vehicle.name}: ${title.toLowerCase()}` : title);
  if (job.isPending) return <Page aria-busy="true" />;
  if (job.isError) {
    return (
      <Page>
        <LoadProblem error={job.error} onRetry={() => void job.refetch()} />
      </Page>
    );
  }
  const detail = job.data;
  return (
    <Page>
      <Line className="no-print" style={{ marginBottom: 16 }}>
        <PlainButton onPress={() => window.print()}>Print</PlainButton>
        <Link to={`/jobs/${jobId}`}>Back to the job</Link>
      </Line>
      <Paper>
        <Head>{title}</Head>
        <p>
          {detail.vehicle.name}
          {detail.vehicle.plate ? `, ${detail.vehicle.plate}` : ''} · {circuitNames(detail)} ·{' '}
          {detail.job.title}
        </p>
        <Fine>
          {detail.shop.name} · opened {write.date(detail.job.openedOn)} by {detail.job.openedBy}
        </Fine>
        {detail.job.abandoned === null ? null : <AbandonedNotice abandoned={detail.job.abandoned} />}
        {children(detail)}
      </Paper>
    </Page>
  );
}
