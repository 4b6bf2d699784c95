/** Ends, clocking, bolts and washers of one hose, with both its joints drawn in section. */
import type { HoseOfJob } from '@zephyrcombe/contract';
import { hoseOfJob, isClosed } from '@zephyrcombe/contract';
import { isLineMade } from '@zephyrcombe/workshop';
import styled from 'styled-components';
import { Columns, Fine, Stack } from '../../design/layout.ts';
import { LineStage } from '../hard-line/LineStage.tsx';
import { LinePicker } from '../job/HosePicker.tsx';
import { PartsSteps } from '../job/PartsSteps.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import { jointView, selectedHose, selectedLine } from '../job/jobView.ts';
import { useKeptRoute } from '../route/job/HoseRoute.tsx';
import { BuildSheet, MaterialSheet } from './BuildSheet.tsx';
import { HoseColumn } from './HoseColumn.tsx';
import { JointSheet } from './JointSheet.tsx';
import { useBuild } from './useBuild.ts';

const Pair = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 16px;
`;

export function SpecifyPage() {
  const detail = useJob();
  const { hoseId, jointId } = useSelection();
  const line = selectedLine(detail, hoseId);
  if (line) return <LineStage line={line} stage="specify" />;
  const hose = selectedHose(detail, hoseId, jointId);
  if (hose === null) return <Fine>No hose is in the scope of this job.</Fine>;
  const own = hoseOfJob(detail, hose.hoseId);
  if (own === null) return <Fine>This hose is no longer on the drawing of the circuit.</Fine>;
  return <HoseOnPaper key={hose.hoseId} own={own} />;
}

function HoseOnPaper({ own }: { readonly own: HoseOfJob }) {
  const detail = useJob();
  const { hose, fitted } = own;
  const views = [fitted.fromJointId, fitted.toJointId].flatMap((id) => jointView(detail, id) ?? []);
  const route = useKeptRoute(detail.job.vehicleId, hose.hoseId, detail.job.id);
  const at = useBuild(detail, own, route);
  const finished = isClosed(detail.job);
  return (
    <Columns>
      <Stack $gap={16}>
        <PartsSteps detail={detail} at={null} />
        <LinePicker
          current={hose.hoseId}
          isDone={(candidate) => candidate.specified}
          isLineDone={(candidate) => isLineMade(detail, candidate)}
        />
        <BuildSheet own={own} at={at} finished={finished} />
        <MaterialSheet own={own} at={at} finished={finished} />
        <Pair>
          {views.map((view, index) => (
            <JointSheet key={view.joint.id} view={view} title={index === 0 ? 'A' : 'B'} />
          ))}
        </Pair>
      </Stack>
      <HoseColumn own={own} views={views} at={at} route={route} />
    </Columns>
  );
}
