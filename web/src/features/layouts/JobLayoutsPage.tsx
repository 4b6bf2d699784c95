/** Layouts compared inside a job: the chosen one goes into the job with all its hoses. */
import { hydraulicsOf, isClosed } from '@zephyrcombe/contract';
import { LAYOUT_NAMES } from '@zephyrcombe/messages';
import { canBeLaidOut, layoutOf } from '@zephyrcombe/core';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { PlainButton } from '../../design/Button.tsx';
import { Fine, Label, Stack } from '../../design/layout.ts';
import { useCircuitAtHand } from '../job/circuitAtHand.ts';
import { CLOSED, useJob } from '../job/JobContext.ts';
import { LayoutComparison, useLayouts } from './LayoutComparison.tsx';

export function JobLayoutsPage() {
  const detail = useJob();
  const { job } = detail;
  const { circuit, before } = useCircuitAtHand();
  const choose = useJobAction('chooseLayout', job.id);
  const current = useMemo(() => hydraulicsOf(circuit), [circuit]);
  const found = before ?? current;
  const layouts = useLayouts(found);
  const asFound = layoutOf(found);
  const now = layoutOf(current);
  const finished = isClosed(job);
  if (!canBeLaidOut(current)) {
    return (
      <Fine>Other layouts are for two or three calipers on one master, joined by hoses and banjos only.</Fine>
    );
  }
  return (
    <Stack $gap={12}>
      <Fine>
        <Link to={`/jobs/${job.id}/look-over?circuit=${circuit.id}`}>Back to Look over</Link>. All hoses of
        the layout you choose come into this job, to be measured, specified and fitted.
      </Fine>
      <SaveProblem save={choose} />
      <LayoutComparison
        layouts={layouts}
        present={asFound}
        choose={({ layout }) =>
          layout === now ? (
            <Label>In this job</Label>
          ) : (
            <PlainButton
              isPending={choose.isPending}
              because={finished ? CLOSED : null}
              onPress={() =>
                choose.mutate({
                  params: { jobId: job.id },
                  body: {
                    version: job.version,
                    circuitId: circuit.id,
                    layout: layout === asFound ? 'asFound' : layout,
                  },
                })
              }
            >
              {layout === asFound
                ? 'Go back to how it was found'
                : `Take “${LAYOUT_NAMES[layout]}” into the job`}
            </PlainButton>
          )
        }
      />
    </Stack>
  );
}
