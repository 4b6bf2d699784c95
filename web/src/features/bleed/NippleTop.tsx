/** Whether a nipple is the highest point of its caliper: air above it never comes out. */
import type { JobDetail } from '@zephyrcombe/contract';
import { isClosed } from '@zephyrcombe/contract';
import { factOf, nippleCautions } from '@zephyrcombe/workshop';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { Pick } from '../../design/Pick.tsx';
import { Cautions } from '../job/Cautions.tsx';

const ANSWERS = [
  ['', 'nobody has looked'],
  ['yes', 'yes, no fluid stands above it'],
  ['no', 'no, fluid stands above it'],
] as const;

interface NippleTopProps {
  readonly detail: JobDetail;
  readonly nippleId: string;
}

export function NippleTop({ detail, nippleId }: NippleTopProps) {
  const say = useJobAction('sayFitFact', detail.job.id);
  const isTop = factOf(detail, 'nippleTop', nippleId) ?? null;
  return (
    <>
      <Pick
        label="Is it the highest point there?"
        value={isTop === null ? '' : isTop ? 'yes' : 'no'}
        options={ANSWERS.map(([value, text]) => ({ value, text }))}
        isDisabled={isClosed(detail.job)}
        onChange={(answer) =>
          say.mutate({
            params: { jobId: detail.job.id },
            body: {
              id: newId(),
              said: {
                kind: 'nippleTop',
                subjectId: nippleId,
                value: answer === '' ? null : answer === 'yes',
              },
            },
          })
        }
      />
      <Cautions cautions={nippleCautions(detail, nippleId)} />
      <SaveProblem save={say} />
    </>
  );
}
