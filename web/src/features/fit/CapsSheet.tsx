/** Caps and plugs of the hoses of a job: counted on, counted off; one too many inside blocks the brake. */
import type { JobHose } from '@zephyrcombe/contract';
import { capsOfJob, isClosed, partsOf, uncountedOpenings } from '@zephyrcombe/contract';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useCounted } from '../../app/counted.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Figure, Fine, Line, Rows, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { Cautions } from '../job/Cautions.tsx';
import { CLOSED, useJob } from '../job/JobContext.ts';

/** As many as anybody puts on one hose. */
const MOST = 20;

const Counter = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  button {
    min-width: 48px;
    padding: 8px 0;
  }
`;

export function CapsSheet() {
  const detail = useJob();
  const uncounted = uncountedOpenings(detail);
  return (
    <Sheet aria-label="Caps and plugs">
      <SheetTitle>Caps and plugs</SheetTitle>
      <Fine>
        Count each one on when a line or a hose is closed, and off before it is joined. A hose out of its box,
        and one made here, has one on each end.
      </Fine>
      <Rows style={{ marginTop: 8 }}>
        {detail.hoses.flatMap((hose) =>
          (['A', 'B'] as const).map((end) => <CapsOf key={`${hose.hoseId} ${end}`} hose={hose} end={end} />),
        )}
      </Rows>
      {uncounted > 0 ? (
        <Fine>
          {uncounted === 1 ? 'One opening is' : `${uncounted} openings are`} not counted: that is not the same
          as none.
        </Fine>
      ) : null}
      <Cautions cautions={capsOfJob(detail)} />
    </Sheet>
  );
}

interface CapsOfProps {
  readonly hose: JobHose;
  readonly end: 'A' | 'B';
}

function CapsOf({ hose, end }: CapsOfProps) {
  const detail = useJob();
  const edit = useJobAction('editJobHose', detail.job.id);
  const { tellCounted } = useCounted();
  const line = partsOf(detail).hoses.find(({ id }) => id === hose.hoseId);
  const jointId = end === 'A' ? line?.fromJointId : line?.toJointId;
  const joint = partsOf(detail).joints.find(({ id }) => id === jointId);
  const name = `${line?.name ?? ''}, ${joint?.name.toLowerCase() ?? `end ${end}`}`;
  const finished = isClosed(detail.job);
  const counted = hose.plugs[end];
  const set = (count: NonNullable<typeof counted>) => {
    tellCounted();
    edit.mutate({
      params: { jobId: detail.job.id, hoseId: hose.hoseId },
      body: { version: hose.version, plugs: { ...hose.plugs, [end]: count } },
    });
  };
  if (counted === null)
    return (
      <div role="group" aria-label={name}>
        <Spread>
          <strong>{name}</strong>
          <Line $gap={8}>
            <Fine as="span">not counted</Fine>
            <PlainButton because={finished ? CLOSED : null} onPress={() => set({ put: 1, out: 0 })}>
              One is on
            </PlainButton>
            <PlainButton because={finished ? CLOSED : null} onPress={() => set({ put: 0, out: 0 })}>
              None
            </PlainButton>
          </Line>
        </Spread>
        <SaveProblem save={edit} />
      </div>
    );
  return (
    <div role="group" aria-label={name}>
      <Spread>
        <strong>{name}</strong>
        {(
          [
            ['put', 'on'],
            ['out', 'off'],
          ] as const
        ).map(([which, word]) => (
          <Counter key={which}>
            <span>{word}</span>
            <PlainButton
              aria-label={`One less ${word}, ${name}`}
              isQuiet
              because={finished ? CLOSED : counted[which] === 0 ? 'None is left to take away.' : null}
              onPress={() => set({ ...counted, [which]: counted[which] - 1 })}
            >
              −
            </PlainButton>
            <Figure $size="large" aria-label={`${counted[which]} ${word}`}>
              {counted[which]}
            </Figure>
            <PlainButton
              aria-label={`One more ${word}, ${name}`}
              isQuiet
              because={
                finished ? CLOSED : counted[which] === MOST ? `No more than ${MOST} go on one opening.` : null
              }
              onPress={() => set({ ...counted, [which]: counted[which] + 1 })}
            >
              +
            </PlainButton>
          </Counter>
        ))}
      </Spread>
      <SaveProblem save={edit} />
    </div>
  );
}
