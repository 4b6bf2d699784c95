/** The label of the hose as it comes out, with the ways to get it on paper. */
import type { HoseOfJob } from '@zephyrcombe/contract';
import { labelAddress } from '@zephyrcombe/contract';
import { useMutation } from '@tanstack/react-query';
import styled from 'styled-components';
import type { ApiError } from '../../api/client.ts';
import { call } from '../../api/client.ts';
import { PlainButton } from '../../design/Button.tsx';
import { Fine, Line, Sheet, SheetTitle } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { colour } from '../../design/tokens.ts';
import { NotOnPaper } from '../paper/NotOnPaper.tsx';
import { useJob } from '../job/JobContext.ts';
import { ErrorWords } from '../../api/ErrorWords.tsx';

/** Labels are white whatever the screen is. */
const Shown = styled.img`
  display: block;
  width: 100%;
  max-width: 300px;
  aspect-ratio: 50 / 18;
  background: #fff;
  border: 1px solid ${colour('hairline')};
`;

export function LabelSheet({ own }: { readonly own: HoseOfJob }) {
  const detail = useJob();
  const ids = { jobId: detail.job.id, hoseId: own.hose.hoseId };
  const print = useMutation<{ number: number }, ApiError, undefined>({
    mutationFn: () => call('printLabel', { params: ids }),
  });
  const address = (file: 'svg' | 'pdf') => labelAddress(ids.jobId, ids.hoseId, file);
  return (
    <Sheet aria-label="Label">
      <SheetTitle>Label, one at each end</SheetTitle>
      <Shown
        src={`${address('svg')}?v=${own.hose.version}`}
        alt={`Label: ${own.fitted.name}, ${detail.vehicle.name}, with a code that names the job and the hose`}
      />
      <NotOnPaper texts={[own.fitted.name, detail.vehicle.name]} />
      <Line $gap={12} style={{ marginTop: 10 }}>
        <PlainButton isPending={print.isPending} onPress={() => print.mutate(undefined)}>
          Print a label
        </PlainButton>
        <a href={address('pdf')} download>
          PDF
        </a>
        <a href={address('svg')} download>
          SVG
        </a>
      </Line>
      <Fine role="status">
        {print.data ? `Label ${print.data.number} came out of the simulated printer.` : ''}
      </Fine>
      {print.error ? (
        <Notice severity="warn" title={print.error.title}>
          <ErrorWords error={print.error} />
        </Notice>
      ) : null}
    </Sheet>
  );
}
