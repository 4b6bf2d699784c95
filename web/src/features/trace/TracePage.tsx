/** Tracing on the bench: the picture stays on this device and is not kept. */
import { useEffect, useReducer, useState } from 'react';
import { historyReducer, startHistory } from '../../app/history.ts';
import type { History, HistoryAction } from '../../app/history.ts';
import { useCrumb } from '../../app/crumb.ts';
import { Fine, Head, Page, Stack } from '../../design/layout.ts';
import type { PickedPicture } from './PicturePick.tsx';
import { PicturePick } from './PicturePick.tsx';
import { TraceBench } from './TraceBench.tsx';
import type { TraceDraft } from './traceDraft.ts';
import { EMPTY_TRACE } from './traceDraft.ts';

export function TracePage() {
  useCrumb('Trace');
  const [picture, setPicture] = useState<PickedPicture | null>(null);
  const [history, dispatch] = useReducer(
    (state: History<TraceDraft>, action: HistoryAction<TraceDraft>) => historyReducer(state, action),
    startHistory(EMPTY_TRACE),
  );
  useEffect(() => (picture ? () => URL.revokeObjectURL(picture.url) : undefined), [picture]);
  return (
    <Page>
      <Stack $gap={16}>
        <div>
          <Head>How long is what this picture shows?</Head>
          <Fine>
            A photograph of the old hose on the bench, or a drawing: set a distance you know, then trace. The
            picture stays on this device; trace in a job to keep it.
          </Fine>
        </div>
        <PicturePick
          text={picture ? 'Take another picture' : 'Take a photograph or drawing'}
          onPicture={(next) => {
            setPicture(next);
            dispatch({ type: 'load', document: EMPTY_TRACE });
          }}
        />
        {picture ? <TraceBench picture={picture} history={history} dispatch={dispatch} /> : null}
      </Stack>
    </Page>
  );
}
