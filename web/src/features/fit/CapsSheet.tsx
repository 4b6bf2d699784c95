/** Caps and plugs of the hoses of a job: counted on, counted off; one too many inside blocks the brake. */
import type { JobHose } from '@zephyrcombe/contract';
import { judgePlugs } from '@zephyrcombe/core';
import styled from 'styled-components';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { PlainButton } from '../../design/Button.tsx';
import { Figure, Fine, Rows, Sheet, SheetTitle, Spread } from '../../design/layout.ts';
import { Cautions } from '../job/Cautions.tsx';
import { useJob } from '../job/JobContext.ts';

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
  const sum = (of: (hose: JobHose) => number) => detail.hoses.reduce((total, hose) => total + of(hose), 0);
  return (
    <Sheet aria-label="Caps and plugs">
      <SheetTitle>Caps and plugs</SheetTitle>
      <Fine>Count each one on when a line or a hose is closed, and off before it is joined.</Fine>
      <Rows style={{ marginTop: 8 }}>
        {detail.hoses.map((hose) => (
          <CapsOf key={hose.hoseId} hose={hose} />
        ))}
      </Rows>
      <Cautions
        cautions={judgePlugs(
          sum(({ plugs }) => plugs.put),
          sum(({ plugs }) => plugs.out),
        )}
      />
    </Sheet>
  );
}

function CapsOf({ hose }: { readonly hose: JobHose }) {
  const detail = useJob();
  const edit = useJobAction('editJobHose', detail.job.id);
  const name = detail.circuit.hoses.find(({ id }) => id === hose.hoseId)?.name ?? '';
  const finished = detail.job.status === 'finished';
  const count = (which: 'put' | 'out', by: 1 | -1) =>
    edit.mutate({
      params: { jobId: detail.job.id, hoseId: hose.hoseId },
      body: { version: hose.version, plugs: { ...hose.plugs, [which]: hose.plugs[which] + by } },
    });
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
              isDisabled={finished || hose.plugs[which] === 0}
              onPress={() => count(which, -1)}
            >
              −
            </PlainButton>
            <Figure $size="large" aria-label={`${hose.plugs[which]} ${word}`}>
              {hose.plugs[which]}
            </Figure>
            <PlainButton
              aria-label={`One more ${word}, ${name}`}
              isDisabled={finished || hose.plugs[which] === MOST}
              onPress={() => count(which, 1)}
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
