/** What is asked of the server, under which key it is kept, and how a job's actions bring it up to date. */
import type { BleedUpdate, Job, JobChange, JobDetail, StockItem } from '@zephyrcombe/contract';
import type { QueryClient } from '@tanstack/react-query';
import {
  infiniteQueryOptions,
  keepPreviousData,
  queryOptions,
  useMutation,
  useQueryClient,
} from '@tanstack/react-query';
import type { RequestOf } from './client.ts';
import type { ApiError } from './client.ts';
import { call } from './client.ts';
import type { JobActionName } from './jobActionName.ts';
import { withAction, withUpdate } from './optimistic.ts';
import { OwnWrites } from './ownWrites.ts';
import { keepTold, toldChange } from './toldJobs.ts';

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: ({ signal }) => call('getSession', {}, signal),
  staleTime: 5 * 60_000,
});

export const shopQuery = queryOptions({
  queryKey: ['shop'],
  queryFn: ({ signal }) => call('getShop', {}, signal),
});

export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: ({ signal }) => call('listPeople', {}, signal),
});

export const wrenchesQuery = queryOptions({
  queryKey: ['wrenches'],
  queryFn: ({ signal }) => call('listWrenches', {}, signal),
});

export const signInsQuery = queryOptions({
  queryKey: ['sign-ins'],
  queryFn: ({ signal }) => call('listSignIns', {}, signal),
});

/** What lies on the shelf of these parts. */
export const stockQuery = (keys: readonly string[]) =>
  queryOptions({
    queryKey: ['stock', keys],
    queryFn: ({ signal }) => call('getStock', { query: { key: [...keys], limit: 100 } }, signal),
    enabled: keys.length > 0,
    // A part that comes or goes does not empty the shelf of the others.
    placeholderData: keepPreviousData,
  });

/** How long steps of fitting took in the shop's other jobs. */
export const stepTimesQuery = (without: string) =>
  queryOptions({
    queryKey: ['step-times', without],
    queryFn: ({ signal }) => call('getStepTimes', { query: { without } }, signal),
    staleTime: 5 * 60_000,
  });

/** Writes how many of a part lie on the shelf. */
export function useCountStock() {
  const client = useQueryClient();
  return useMutation<StockItem, ApiError, RequestOf<'countStock'>>({
    mutationFn: (input) => call('countStock', input),
    onSettled: () => client.invalidateQueries({ queryKey: ['stock'] }),
  });
}

/** Where a list begins that comes a page at a time; `null` is its beginning. */
type Start = string | null;

interface Page<Item> {
  readonly items: readonly Item[];
  readonly next: Start;
}

/** A list that comes a page at a time, `ask` a page of it. */
const pagedQuery = <Item>(
  key: readonly unknown[],
  ask: (page: { readonly after?: string }, signal: AbortSignal) => Promise<Page<Item>>,
  start: Start = null,
) =>
  infiniteQueryOptions({
    queryKey: [...key, start],
    initialPageParam: start,
    queryFn: ({ signal, pageParam }) => ask(pageParam === null ? {} : { after: pageParam }, signal),
    getNextPageParam: (page: Page<Item>) => page.next,
  });
export type PagedQuery<Item> = ReturnType<typeof pagedQuery<Item>>;

/** While something else is searched for, what was found before stays. */
const searched = <Item>(query: PagedQuery<Item>) => ({ ...query, placeholderData: keepPreviousData });

export const jobsQuery = (status: Job['status'], search = '') =>
  searched(
    pagedQuery(['jobs', status, search], (page, signal) =>
      call('listJobs', { query: { status, ...(search === '' ? {} : { search }), ...page } }, signal),
    ),
  );

export const jobsOfVehicleQuery = (vehicleId: string, start: Start) =>
  pagedQuery(
    ['jobs', 'of', vehicleId],
    (page, signal) => call('listJobs', { query: { vehicleId, ...page } }, signal),
    start,
  );

export const servicesQuery = (vehicleId: string, start: Start) =>
  pagedQuery(
    ['services', vehicleId],
    (page, signal) => call('listServices', { params: { vehicleId }, query: page }, signal),
    start,
  );

export const dueQuery = pagedQuery(['due'], (query, signal) => call('listDue', { query }, signal));

export const vehiclesQuery = (search = '') =>
  searched(
    pagedQuery(['vehicles', search], (page, signal) =>
      call('listVehicles', { query: { ...(search === '' ? {} : { search }), ...page } }, signal),
    ),
  );

export const vehicleQuery = (vehicleId: string) =>
  queryOptions({
    queryKey: ['vehicle', vehicleId],
    queryFn: ({ signal }) => call('getVehicle', { params: { vehicleId } }, signal),
  });

export const cornersQuery = (vehicleId: string) =>
  queryOptions({
    queryKey: ['corners', vehicleId],
    queryFn: ({ signal }) => call('listCorners', { params: { vehicleId } }, signal),
  });

/** The job as it is by now: asked for anew, never the answer to a question that was on its way before. */
const readJob = async (jobId: string, signal?: AbortSignal): Promise<JobDetail> =>
  keepTold(await call('getJob', { params: { jobId } }, signal));

export const jobQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['job', jobId],
    queryFn: ({ signal }) => readJob(jobId, signal),
  });

/** What the log is asked for: all of it, or what it tells of one part or person. */
export interface LogFilter {
  readonly part?: string;
  readonly by?: string;
}

export const jobLogQuery = (jobId: string, filter: LogFilter = {}) =>
  infiniteQueryOptions({
    queryKey: ['job', jobId, 'log', filter],
    initialPageParam: 0,
    queryFn: ({ signal, pageParam }) =>
      call('getJobLog', { params: { jobId }, query: { after: pageParam, ...filter } }, signal),
    getNextPageParam: (page) => (page.next === null ? undefined : Number(page.next)),
  });

type AnyRequest = RequestOf<JobActionName>;
const ownWrites = new OwnWrites();

/** The row an action writes, and its version in a detail; null for actions that only add. */
function versionedRow(
  name: JobActionName,
  input: AnyRequest,
  detail: JobDetail | undefined,
): { readonly row: string; readonly version: number | undefined } | null {
  const params = (input.params ?? {}) as Readonly<Record<string, string>>;
  switch (name) {
    case 'abandonJob':
    case 'editJob':
    case 'setScope':
    case 'chooseLayout':
    case 'quoteJob':
    case 'orderJob':
    case 'deliverJob':
    case 'finishJob':
      return { row: `job ${params.jobId}`, version: detail?.job.version };
    case 'editJobHose':
    case 'makeUpHose':
    case 'proveHose':
    case 'checkKit':
      return {
        row: `hose ${params.jobId} ${params.hoseId}`,
        version: detail?.hoses.find((hose) => hose.hoseId === params.hoseId)?.version,
      };
    case 'seePort': {
      const circuit = detail?.circuits
        .map((one) => one.circuit)
        .find(({ joints }) => joints.some(({ id }) => id === params.jointId));
      return { row: `circuit of ${params.jobId} ${params.jointId}`, version: circuit?.version };
    }
    case 'editJobLine':
      return {
        row: `line ${params.jobId} ${params.lineId}`,
        version: detail?.lines.find((line) => line.lineId === params.lineId)?.version,
      };
    case 'saveItem':
      return {
        row: `item ${params.itemId}`,
        version: detail?.items.find(({ id }) => id === params.itemId)?.version,
      };
    case 'editJobJoint':
      return {
        row: `joint ${params.jobId} ${params.jointId}`,
        version: detail?.joints.find((joint) => joint.jointId === params.jointId)?.version,
      };
    default:
      return null;
  }
}

/** The input on the version that follows this page's own earlier writes. */
function onOwnVersion(name: JobActionName, input: AnyRequest): AnyRequest {
  const target = versionedRow(name, input, undefined);
  const body = input.body as { readonly version: number } | undefined;
  if (target === null || body === undefined) return input;
  return { ...input, body: { ...body, version: ownWrites.follow(target.row, body.version) } };
}

/** The job after an action: with what the action changed, or asked for where somebody else changed it too. */
async function jobAfter(client: QueryClient, change: JobChange): Promise<JobDetail> {
  const query = jobQuery(change.jobId);
  const after = toldChange(change);
  if (after === null) return readJob(change.jobId);
  // What is counted at the nipples is told by itself.
  return { ...after, bleedRuns: client.getQueryData(query.queryKey)?.bleedRuns ?? after.bleedRuns };
}

/** Shows a job as it is after a change that was sent by another way than an action of its page. */
export async function showChange(client: QueryClient, change: JobChange): Promise<void> {
  client.setQueryData(jobQuery(change.jobId).queryKey, await jobAfter(client, change));
}

/**
 * One action on one job: shown at once, sent in turn. Actions on a job wait for each other, so that versions
 * follow on; what is still waiting stays in the picture when an earlier reply arrives.
 */
export function useJobAction<Name extends JobActionName>(
  name: Name,
  jobId: string,
  /** When it is saved, at the first try or a later one. */
  onSaved?: (input: RequestOf<Name>) => void,
) {
  const client = useQueryClient();
  const { queryKey } = jobQuery(jobId);
  const scope = `job ${jobId}`;
  const taken = async (update: BleedUpdate): Promise<JobDetail> => {
    const known = client.getQueryData(queryKey);
    return known && !update.isMore ? withUpdate(known, update) : readJob(jobId);
  };
  return useMutation<JobDetail, ApiError, RequestOf<Name>>({
    mutationKey: [name],
    scope: { id: scope },
    mutationFn: async (input) => {
      const sent = onOwnVersion(name, input);
      const reply = await call(name, sent as RequestOf<Name>);
      // At the nipples only what changed comes back: the job is long, and a phone at the wheel far from the server.
      if ('rows' in reply) return taken(reply);
      const detail = await jobAfter(client, reply);
      const row = versionedRow(name, sent, detail);
      if (row?.version !== undefined)
        ownWrites.record(row.row, (sent.body as { readonly version: number }).version, row.version);
      return detail;
    },
    onMutate: async (input) => {
      await client.cancelQueries({ queryKey, exact: true });
      client.setQueryData(
        queryKey,
        (detail) => detail && withAction(detail, name, input as AnyRequest, new Date().toISOString()),
      );
    },
    onSuccess: (detail, input) => {
      onSaved?.(input);
      const waiting = client.getMutationCache().findAll({
        status: 'pending',
        predicate: (mutation) => mutation.options.scope?.id === scope && mutation.state.isPaused,
      });
      const shown = waiting.reduce(
        (current, mutation) =>
          withAction(
            current,
            mutation.options.mutationKey?.[0] as JobActionName,
            mutation.state.variables as AnyRequest,
            new Date().toISOString(),
          ),
        detail,
      );
      client.setQueryData(queryKey, shown);
      void client.invalidateQueries({ queryKey: ['jobs'] });
      void client.invalidateQueries({ queryKey: ['job', jobId, 'log'] });
      if (name === 'chooseLayout') void client.invalidateQueries({ queryKey: ['vehicle'] });
      if (name === 'finishJob') {
        void client.invalidateQueries({ queryKey: ['due'] });
        void client.invalidateQueries({ queryKey: ['vehicle'] });
      }
    },
    // What was shown ahead of its time is put right.
    onError: () => void client.invalidateQueries({ queryKey, exact: true }),
  });
}
