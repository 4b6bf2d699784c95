/** Tape readings typed onto the hose's own drawing. */
import { liveReadings, movementOfHose } from '@zephyrcombe/contract';
import { POSE_NAMES } from '@zephyrcombe/messages';
import type { Pose } from '@zephyrcombe/core';
import { POSES, posesFor } from '@zephyrcombe/core';
import { useState } from 'react';
import { ChoiceRow } from '../../design/fields.tsx';
import { Columns, Fine, Sheet, Stack } from '../../design/layout.ts';
import { LinePicker } from '../job/HosePicker.tsx';
import { useJob, useSelection } from '../job/JobContext.ts';
import { selectedHose, selectedLine } from '../job/jobView.ts';
import { LineStage } from '../hard-line/LineStage.tsx';
import { OrderColumn } from './OrderColumn.tsx';
import { ReadingEntry } from './ReadingEntry.tsx';
import { ReadingList } from './ReadingList.tsx';
import { TraceList } from '../trace/TraceList.tsx';

export function MeasurePage() {
  const detail = useJob();
  const { hoseId, jointId } = useSelection();
  const line = selectedLine(detail, hoseId);
  const hose = selectedHose(detail, hoseId, jointId);
  const [chosen, setPose] = useState<Pose | null>(null);
  if (line) return <LineStage line={line} stage="measure" />;
  if (hose === null) return <Fine>No hose is in the scope of this job.</Fine>;
  const count = (candidate: Pose) =>
    liveReadings(detail, hose.hoseId).filter((reading) => reading.pose === candidate).length;
  const worth = posesFor(movementOfHose(detail, hose.hoseId));
  const poses = POSES.filter((candidate) => worth.includes(candidate) || count(candidate) > 0);
  const pose = chosen !== null && poses.includes(chosen) ? chosen : (worth[0] ?? 'straightAhead');
  return (
    <Columns>
      <Stack $gap={16}>
        <Sheet>
          <Stack $gap={14}>
            <LinePicker
              current={hose.hoseId}
              isDone={(candidate) => candidate.order_m !== null}
              isLineDone={(candidate) => candidate.pattern !== null}
            />
            <ChoiceRow<Pose>
              label="Pose the reading is taken in"
              value={pose}
              options={poses.map((candidate) => ({
                value: candidate,
                text:
                  count(candidate) > 0
                    ? `${POSE_NAMES[candidate]} (${count(candidate)})`
                    : POSE_NAMES[candidate],
              }))}
              onChange={setPose}
            />
            <ReadingEntry key={`${hose.hoseId} ${pose}`} hose={hose} pose={pose} />
          </Stack>
        </Sheet>
        <ReadingList hoseId={hose.hoseId} />
        <TraceList />
      </Stack>
      <OrderColumn key={hose.hoseId} hose={hose} />
    </Columns>
  );
}
