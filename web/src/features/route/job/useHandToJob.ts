/** Hands the ends that were found for a route to the hose of the job they were searched for. */
import { isClosed } from '@zephyrcombe/contract';
import type { FoundFitting } from '@zephyrcombe/core';
import { EXAMPLE_BENDS_deg, exampleEnd } from '@zephyrcombe/core';
import { useQuery } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { jobQuery, useJobAction } from '../../../api/queries.ts';

export function useHandToJob(jobId: string | null, hoseId: string) {
  const navigate = useNavigate();
  const { data } = useQuery({ ...jobQuery(jobId ?? ''), enabled: jobId !== null });
  const edit = useJobAction('editJobHose', jobId ?? '', () => {
    void navigate(`/jobs/${jobId}/specify?hose=${hoseId}`);
  });
  const hose = data?.hoses.find((candidate) => candidate.hoseId === hoseId);
  if (jobId === null || !hose || (data && isClosed(data.job))) return { hand: null, edit };
  /** Another bend is another end, with take-offs of its own; a threaded end stays one. */
  const bent = (end: typeof hose.endA, bend_deg: number) => {
    const bend = EXAMPLE_BENDS_deg.find((known) => known === bend_deg);
    const isAsBefore = Math.abs(end.neckAngle_rad - (bend_deg * Math.PI) / 180) < 1e-6;
    return bend === undefined || isAsBefore ? end : exampleEnd(end.family, bend);
  };
  const hand = ({ start, end, clocking_rad }: FoundFitting) =>
    edit.mutate({
      params: { jobId, hoseId },
      body: {
        version: hose.version,
        endA: bent(hose.endA, start.bend_deg),
        endB: bent(hose.endB, end.bend_deg),
        specified: false,
        ...(clocking_rad === null ? {} : { clocking_rad }),
      },
    });
  return { hand, edit };
}
