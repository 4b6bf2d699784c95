/** The frame of a job: circuit strip, stage rail, and the stage below. */
import { assumedOfJoint, eyesOn } from '@zephyrcombe/core';
import { circuitWithLengths, lengthOf, progressOf } from '@zephyrcombe/workshop';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Outlet, useLocation, useNavigate, useParams, useSearchParams } from 'react-router';
import { LoadProblem } from '../../api/LoadProblem.tsx';
import { jobQuery } from '../../api/queries.ts';
import { useCrumb } from '../../app/crumb.ts';
import { useWriter } from '../../app/SessionContext.ts';
import { useShortcuts } from '../../app/useShortcuts.ts';
import { Page } from '../../design/layout.ts';
import { FLUID, colour } from '../../design/tokens.ts';
import { CircuitStrip } from '../../drawing/circuit-strip/CircuitStrip.tsx';
import { circuitAtHand } from './circuitAtHand.ts';
import { CircuitPick } from './CircuitPick.tsx';
import { useSelection } from './JobContext.ts';
import { jointState, notedShade, selectedHose, selectedLine } from './jobView.ts';
import { AbandonedNotice } from './AbandonedNotice.tsx';
import { StageRail } from './StageRail.tsx';

export function JobPage() {
  const { jobId = '' } = useParams();
  const job = useQuery(jobQuery(jobId));
  const write = useWriter();
  const location = useLocation();
  const navigate = useNavigate();
  const { hoseId, jointId } = useSelection();
  useCrumb(job.data ? `${job.data.vehicle.name}: ${job.data.job.title}` : null);
  const [search] = useSearchParams();
  const progress = useMemo(() => (job.data ? progressOf(job.data) : null), [job.data]);
  const stages = useMemo(() => progress?.stages ?? [], [progress]);
  useShortcuts(
    useMemo(
      () =>
        Object.fromEntries(
          stages.map((stage, index) => [String(index + 1), () => void navigate(`/jobs/${jobId}/${stage}`)]),
        ),
      [jobId, navigate, stages],
    ),
  );

  if (job.isPending) return <Page aria-busy="true" />;
  if (job.isError) {
    return (
      <Page>
        <LoadProblem error={job.error} onRetry={() => void job.refetch()} />
      </Page>
    );
  }
  const detail = job.data;
  const shade = notedShade(detail);
  const atHand = circuitAtHand(detail, search, location.pathname.endsWith('/bleed')).circuit;
  const circuit = circuitWithLengths(detail, atHand);
  const master = circuit.components.find((component) => component.kind === 'master');
  const linkTo = (target: { readonly hose?: string; readonly joint?: string }) => {
    const search = new URLSearchParams(Object.entries(target));
    return `${location.pathname}?${search.toString()}`;
  };
  return (
    <>
      <CircuitStrip
        circuit={circuit}
        hoses={circuit.hoses.map((hose) => ({
          id: hose.id,
          name: hose.name,
          lengthText: write.length(lengthOf(detail, hose)),
        }))}
        joints={circuit.joints.map((joint) => ({
          id: joint.id,
          name: joint.name,
          seal: joint.seal,
          eyes: eyesOn(circuit, joint.id),
          state: jointState(detail, joint.id),
          isAssumed: circuit.ports.some(
            (port) => port.id === joint.portId && assumedOfJoint(joint, port).length > 0,
          ),
        }))}
        masterText={master?.masterBore_m ? `Master ${write.length(master.masterBore_m)}` : 'Master'}
        fluidColour={shade === null ? colour('sheet') : FLUID[shade]}
        selectedHoseId={
          jointId === null && !search.has('circuit')
            ? (selectedLine(detail, hoseId)?.lineId ?? selectedHose(detail, hoseId, null)?.hoseId ?? null)
            : null
        }
        selectedJointId={jointId}
        linkTo={linkTo}
      />
      <CircuitPick detail={detail} current={atHand} />
      <StageRail jobId={jobId} stages={stages} done={progress?.done ?? []} />
      <Page>
        {detail.job.abandoned === null ? null : <AbandonedNotice abandoned={detail.job.abandoned} />}
        <Outlet context={detail} />
      </Page>
    </>
  );
}
