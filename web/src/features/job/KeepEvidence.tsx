/** Keeps a judgement with the job: the server judges again and writes it into the log. */
import type { EvidenceEntry } from '@zephyrcombe/contract';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Stack } from '../../design/layout.ts';

type Judgement = EvidenceEntry extends infer Each ? (Each extends unknown ? Omit<Each, 'id'> : never) : never;

interface KeepEvidenceProps {
  readonly jobId: string;
  readonly judgement: Judgement;
  readonly children: string;
}

export function KeepEvidence({ jobId, judgement, children }: KeepEvidenceProps) {
  const shown = JSON.stringify(judgement);
  const [kept, setKept] = useState<string | null>(null);
  // The id goes with what is judged: sent twice it is one entry, changed it is another.
  const [own, setOwn] = useState({ shown, id: newId() });
  if (own.shown !== shown) setOwn({ shown, id: newId() });
  const keep = useJobAction('keepEvidence', jobId, () => setKept(shown));
  return (
    <Stack $gap={6} style={{ marginTop: 10, justifyItems: 'start' }}>
      <PlainButton
        isPending={keep.isPending}
        because={kept === shown ? 'It stands in the job’s log.' : null}
        onPress={() => keep.mutate({ params: { jobId }, body: { ...judgement, id: own.id } })}
      >
        {children}
      </PlainButton>
      <SaveProblem save={keep} />
    </Stack>
  );
}
