import type { DueItem, Job, JobSummary } from '@zephyrcombe/contract';
import { namesInLine } from '@zephyrcombe/contract';
import { STAGE_NAMES } from '@zephyrcombe/messages';
import { useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { dueQuery, jobsQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useSettled } from '../../app/useSettled.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Columns, Fine, Head, Label, Page, Rows, Spread, Stack, Unseen } from '../../design/layout.ts';
import { MoreButton } from '../../design/MoreButton.tsx';
import { FONT, SIZE, colour } from '../../design/tokens.ts';

const Row = styled(Link)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 16px;
  color: ${colour('ink')};
  text-decoration: none;
  padding: 10px 0;
  min-height: 64px;
  &:hover strong {
    text-decoration: underline;
  }
  strong {
    font-size: ${SIZE.large};
    font-weight: 650;
  }
  .side {
    text-align: right;
    font-family: ${FONT.figures};
    font-size: ${SIZE.small};
  }
`;

const Title = styled.h2`
  font-size: ${SIZE.large};
  margin: 20px 0 8px;
`;

/** The stages a job has behind it, as a short dimension line. */
function ProgressLine({ job }: { readonly job: JobSummary }) {
  const width = 150;
  const step = width / job.stages.length;
  const done = job.done.length;
  return (
    <svg width={width + 4} height="14" viewBox={`-2 -7 ${width + 4} 14`} aria-hidden="true">
      <line x1="0" x2={width} y1="0" y2="0" stroke={colour('hairline')} />
      <line x1="0" x2={step * done} y1="0" y2="0" stroke={colour('brass')} strokeWidth="3" />
      {[0, ...job.stages.map((_stage, index) => index + 1)].map((index) => (
        <line key={index} x1={index * step - 3} x2={index * step + 3} y1="4" y2="-4" stroke={colour('ink')} />
      ))}
    </svg>
  );
}

function JobRow({ job }: { readonly job: JobSummary }) {
  const write = useWriter();
  const finished = job.status === 'finished';
  return (
    <Row to={`/jobs/${job.id}`}>
      <strong>{job.title}</strong>
      <span className="side">
        {finished
          ? `signed off ${write.date(job.finishedOn ?? job.openedOn)}`
          : job.status === 'abandoned'
            ? 'abandoned'
            : `next: ${STAGE_NAMES[job.next]}`}
      </span>
      <Label>
        {job.vehicleName}, {namesInLine(job.circuitNames).toLowerCase()}, opened {write.date(job.openedOn)}
      </Label>
      <span className="side">
        <Unseen>
          {job.done.length} of {job.stages.length} stages done
        </Unseen>
        <ProgressLine job={job} />
      </span>
    </Row>
  );
}

const DUE_WORDS: Readonly<Record<DueItem['state'], string>> = {
  overdue: 'overdue',
  soon: 'due soon',
  later: 'later',
  unknown: 'no record',
};

/** Shape and word beside the colour: octagon overdue, triangle soon, dash for the rest. */
function DueMark({ state }: { readonly state: DueItem['state'] }) {
  const shape = {
    overdue: (
      <path
        d="M5 1 H11 L15 5 V11 L11 15 H5 L1 11 V5 Z"
        fill="none"
        stroke={colour('danger')}
        strokeWidth="1.8"
      />
    ),
    soon: <path d="M8 2 L15 14 H1 Z" fill="none" stroke={colour('caution')} strokeWidth="1.8" />,
    unknown: (
      <circle
        cx="8"
        cy="8"
        r="6"
        fill="none"
        stroke={colour('inkSoft')}
        strokeWidth="1.6"
        strokeDasharray="3 2"
      />
    ),
    later: <path d="M3 8 H13" stroke={colour('inkSoft')} strokeWidth="1.6" />,
  }[state];
  return (
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
      {shape}
    </svg>
  );
}

function DueRow({ item }: { readonly item: DueItem }) {
  const write = useWriter();
  return (
    <Row to={`/jobs/new?vehicle=${item.vehicleId}&fluid=${item.circuitId}`} style={{ minHeight: 48 }}>
      <span>
        <Unseen>Change the fluid: </Unseen>
        {item.vehicleName}
        <Label style={{ display: 'block' }}>{item.circuitName}</Label>
      </span>
      <span className="side">
        <DueMark state={item.state} /> {DUE_WORDS[item.state]}
        <Label style={{ display: 'block' }}>
          {item.dueOn ? write.date(item.dueOn) : 'never serviced here'}
          {item.dueDistance_m === null ? null : ` or ${write.distance(item.dueDistance_m)}`}
        </Label>
      </span>
    </Row>
  );
}

interface JobListProps {
  readonly status: Job['status'];
  readonly empty: string;
  readonly search?: string;
}

/** Jobs of one status, a page at a time. */
function JobList({ status, empty, search = '' }: JobListProps) {
  const jobs = useInfiniteQuery(jobsQuery(status, search));
  if (jobs.isError) return <LoadProblem error={jobs.error} onRetry={() => void jobs.refetch()} />;
  if (jobs.isPending) return <div style={{ minHeight: 180 }} aria-busy="true" />;
  const items = jobs.data.pages.flatMap((page) => page.items);
  if (items.length === 0) return <Fine>{empty}</Fine>;
  return (
    <div>
      <Rows>
        {items.map((job) => (
          <JobRow key={job.id} job={job} />
        ))}
      </Rows>
      <MoreButton list={jobs} />
    </div>
  );
}

/** What is on the bench and what is due. */
export function JobsPage() {
  useCrumb(null);
  const open = useInfiniteQuery(jobsQuery('open'));
  const [search, setSearch] = useState('');
  const wanted = useSettled(search.trim());
  const finished = useInfiniteQuery(jobsQuery('finished', wanted));
  const abandoned = useInfiniteQuery(jobsQuery('abandoned', wanted));
  const due = useInfiniteQuery(dueQuery);
  const dueItems = due.data?.pages.flatMap((page) => page.items) ?? [];
  const navigate = useNavigate();
  return (
    <Page>
      <Columns $right="400px">
        <section aria-labelledby="bench">
          <Spread>
            <Head id="bench">On the bench</Head>
            <PrimaryButton onPress={() => void navigate('/jobs/new')}>Start a job</PrimaryButton>
          </Spread>
          <Stack style={{ marginTop: 12 }}>
            <JobList
              status="open"
              empty="The bench is clear. Start a job on a vehicle, and it stays here until it is signed off."
            />
          </Stack>
          {open.isPending ? null : (
            <>
              <Title>Signed off</Title>
              {/* A short list is read; only a long one is searched. */}
              {finished.hasNextPage || search !== '' ? (
                <TextField label="Find by job, vehicle or plate" value={search} onChange={setSearch} />
              ) : null}
              <JobList
                status="finished"
                search={wanted}
                empty={
                  wanted === ''
                    ? 'Nothing has been signed off yet.'
                    : `Nothing signed off matches “${wanted}”.`
                }
              />
              {!finished.isPending && abandoned.data?.pages[0]?.items.length ? (
                <>
                  <Title>Abandoned</Title>
                  <JobList status="abandoned" search={wanted} empty="" />
                </>
              ) : null}
            </>
          )}
        </section>
        {/* On a phone the lists stand one below the other: each appears when those above it are there. */}
        {open.isPending || finished.isPending || abandoned.isPending ? null : (
          <section aria-labelledby="due">
            <Title id="due" style={{ marginTop: 8 }}>
              Fluid due, by date or distance, whichever comes first: touch one to start
            </Title>
            {due.isError ? <LoadProblem error={due.error} onRetry={() => void due.refetch()} /> : null}
            {due.data && dueItems.length === 0 ? (
              <Fine>
                No brake circuit is entered yet. <Link to="/vehicles/new">Enter the first vehicle</Link>, and
                it is listed here as its fluid falls due.
              </Fine>
            ) : due.data ? (
              <>
                <Rows>
                  {dueItems.map((item) => (
                    <DueRow key={item.circuitId} item={item} />
                  ))}
                </Rows>
                <MoreButton list={due} />
              </>
            ) : null}
          </section>
        )}
      </Columns>
    </Page>
  );
}
