/** For tests of what comes after Specify: every hose of a job measured and specified, as a book of before has it. */
import type { JobDetail } from '@zephyrcombe/contract';
import type { TestServer } from './testServer.ts';

export async function allSpecified(server: TestServer, jobId: string): Promise<JobDetail> {
  const { Job, JobHose } = server.database.models;
  await JobHose.update({ order_m: 0.942 }, { where: { jobId, order_m: null } });
  await JobHose.update({ specified: true, specification: null }, { where: { jobId, specified: false } });
  await Job.update({ endsConfirmed: true }, { where: { id: jobId } });
  return (await server.ask('GET', `/api/jobs/${jobId}`)).json<JobDetail>();
}
