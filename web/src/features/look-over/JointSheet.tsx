/** The joint at hand in Look over: what is at its port, which thread it is, what was found on it. */
import { hydraulicsOf, isClosed } from '@zephyrcombe/contract';
import type { Hydraulics } from '@zephyrcombe/core';
import { changePort } from '@zephyrcombe/core';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { PlainButton, PrimaryButton, TextButton } from '../../design/Button.tsx';
import { Tick } from '../../design/fields.tsx';
import { Fine, Line, Sheet, SheetTitle, Stack } from '../../design/layout.ts';
import { JointPanel } from '../circuit-editor/JointPanel.tsx';
import { Findings } from '../findings/Findings.tsx';
import { useCircuitAtHand } from '../job/circuitAtHand.ts';
import { useJob } from '../job/JobContext.ts';
import { scopeIdsOf } from '../job/jobView.ts';
import { ThreadFinder } from '../threads/ThreadFinder.tsx';
import { readState, writeState } from '../threads/threadState.ts';
import { useCircuitSave } from './useCircuitSave.ts';

/** A joint that weeps, or that is in the way, is opened and tightened anew while its lines stay on. */
function Refit({ jointId, name }: { readonly jointId: string; readonly name: string }) {
  const detail = useJob();
  const { job } = detail;
  const set = useJobAction('setScope', job.id);
  const { hoseIds, lineIds, jointIds } = scopeIdsOf(detail);
  const isRefit = jointIds.includes(jointId);
  if (!isRefit && detail.joints.some((joint) => joint.jointId === jointId)) return null;
  return (
    <Sheet>
      <Tick
        isSelected={isRefit}
        isDisabled={isClosed(job) || set.isPending}
        onChange={(wanted) =>
          set.mutate({
            params: { jobId: job.id },
            body: {
              version: job.version,
              circuitIds: detail.circuits.map(({ circuit }) => circuit.id),
              hoseIds,
              lineIds,
              jointIds: [...jointIds.filter((id) => id !== jointId), ...(wanted ? [jointId] : [])],
            },
          })
        }
      >
        {name} is opened in this job and tightened anew, its lines stay
      </Tick>
      <SaveProblem save={set} />
    </Sheet>
  );
}

export function JointSheet({ jointId }: { readonly jointId: string }) {
  const { job } = useJob();
  const { circuit } = useCircuitAtHand();
  const [search, setSearch] = useSearchParams();
  const stored = useMemo(() => hydraulicsOf(circuit), [circuit]);
  const [edited, setEdited] = useState<Hydraulics | null>(null);
  const { save, send, readAgain } = useCircuitSave(() => setEdited(null));
  const shown = edited ?? stored;
  const joint = shown.joints.find((candidate) => candidate.id === jointId);
  const port = shown.ports.find((candidate) => candidate.id === joint?.portId);
  if (!joint || !port) return null;
  const finished = isClosed(job);
  const finding = search.get('find') === 'thread';
  const put = (change: (query: URLSearchParams) => URLSearchParams) =>
    setSearch((before) => change(new URLSearchParams(before)), { replace: true });
  const find = (open: boolean) =>
    put((query) => {
      if (open) {
        query.set('find', 'thread');
        query.set('of', port.gender);
      } else
        for (const key of ['find', 'of', 'state', 'd', 'dWith', 's', 'n', 'sWith', 'count', 'in', 'try'])
          query.delete(key);
      return query;
    });
  if (finding && !finished) {
    return (
      <Stack $gap={12}>
        <Line>
          <strong>Which thread is at {joint.name}?</strong>
          <TextButton onPress={() => find(false)}>Back to the joint</TextButton>
        </Line>
        <SaveProblem save={save} onTakeTheirs={readAgain} />
        <ThreadFinder
          state={readState(search)}
          onState={(state) => put((query) => writeState(state, query))}
          use={(thread, certain) => (
            <Stack $gap={6} style={{ marginTop: 10 }}>
              {certain ? null : (
                <Fine>Take the further reading first: more than one thread explains these.</Fine>
              )}
              <PlainButton
                isPending={save.isPending}
                because={
                  !certain
                    ? 'The thread is not certain yet.'
                    : thread === port.thread
                      ? 'That is what stands here already.'
                      : null
                }
                onPress={() => {
                  send(changePort(shown, port.id, { thread }));
                  find(false);
                }}
              >
                {thread === port.thread ? `${thread}: as entered` : `${joint.name} is ${thread}`}
              </PlainButton>
            </Stack>
          )}
        />
      </Stack>
    );
  }
  return (
    <Stack $gap={12}>
      {finished ? null : (
        <>
          <JointPanel
            key={joint.id}
            title={`At ${joint.name}`}
            circuit={shown}
            joint={joint}
            port={port}
            onChange={setEdited}
            finder={
              <div>
                <TextButton onPress={() => find(true)}>Not sure? Find it with a calliper</TextButton>
              </div>
            }
          />
          <SaveProblem save={save} onTakeTheirs={() => setEdited(null)} />
          {edited === null ? null : (
            <Line>
              <PrimaryButton isPending={save.isPending} onPress={() => send(edited)}>
                Save what is at {joint.name}
              </PrimaryButton>
              <TextButton onPress={() => setEdited(null)}>Leave it as it was</TextButton>
            </Line>
          )}
        </>
      )}
      <Refit jointId={joint.id} name={joint.name} />
      <Sheet>
        <SheetTitle>Found on {joint.name}</SheetTitle>
        <Findings subject="joint" subjectId={joint.id} name={joint.name} />
      </Sheet>
    </Stack>
  );
}
