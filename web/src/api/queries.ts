/** What is asked of the server, under which key it is kept, and how a job's actions bring it up to date. */
import type { JobDetail, RouteName } from '@zephyrcombe/contract';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { RequestOf } from './client.ts';
import { ApiError, call } from './client.ts';

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: ({ signal }) => call('getSession', {}, signal),
  staleTime: 5 * 60_000,
});

export const jobsQuery = (status: 'open' | 'finished') =>
  queryOptions({
    queryKey: ['jobs', status],
    queryFn: ({ signal }) => call('listJobs', { query: { status } }, signal),
  });

export const dueQuery = queryOptions({
  queryKey: ['due'],
  queryFn: ({ signal }) => call('listDue', {}, signal),
});

export const vehiclesQuery = queryOptions({
  queryKey: ['vehicles'],
  queryFn: ({ signal }) => call('listVehicles', {}, signal),
});

export const vehicleQuery = (vehicleId: string) =>
  queryOptions({
    queryKey: ['vehicle', vehicleId],
    queryFn: ({ signal }) => call('getVehicle', { params: { vehicleId } }, signal),
  });

export const jobQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['job', jobId],
    queryFn: ({ signal }) => call('getJob', { params: { jobId } }, signal),
  });

export const jobLogQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['job', jobId, 'log'],
    queryFn: ({ signal }) => call('getJobLog', { params: { jobId }, query: { limit: 200 } }, signal),
  });

/** The routes that change a job and answer with the job as it then is. */
export type JobActionName = Extract<
  RouteName,
  | 'editJob'
  | 'editJobHose'
  | 'editJobJoint'
  | 'takeReading'
  | 'strikeReading'
  | 'recordTorque'
  | 'addBleedEvent'
  | 'undoBleedEvent'
  | 'finishJob'
>;

/** One action on one job. Actions on a job wait for each other, so that versions follow on. */
export function useJobAction<Name extends JobActionName>(name: Name, jobId: string) {
  const client = useQueryClient();
  return useMutation<JobDetail, ApiError, RequestOf<Name>>({
    mutationFn: (input) => call(name, input) as Promise<JobDetail>,
    scope: { id: `job ${jobId}` },
    onSuccess: (detail) => {
      client.setQueryData(jobQuery(jobId).queryKey, detail);
      void client.invalidateQueries({ queryKey: ['jobs'] });
      void client.invalidateQueries({ queryKey: ['job', jobId, 'log'] });
      if (name === 'finishJob') {
        void client.invalidateQueries({ queryKey: ['due'] });
        void client.invalidateQueries({ queryKey: ['vehicle'] });
      }
    },
    onError: (error) => {
      if (error.code === 'stale-write')
        void client.invalidateQueries({ queryKey: ['job', jobId], exact: true });
    },
  });
}
export type JobAction<Name extends JobActionName> = ReturnType<typeof useJobAction<Name>>;
