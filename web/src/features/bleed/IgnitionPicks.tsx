/** Ignition at one wheel, where an electric booster makes or holds the pressure. */
import { isClosed } from '@zephyrcombe/contract';
import type { Ignition } from '@zephyrcombe/core';
import { IGNITIONS } from '@zephyrcombe/core';
import { IGNITION_NAMES } from '@zephyrcombe/messages';
import { factOf } from '@zephyrcombe/workshop';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { newId } from '../../app/newId.ts';
import { Beside } from '../../design/layout.ts';
import { Pick } from '../../design/Pick.tsx';
import { useJob } from '../job/JobContext.ts';

export function IgnitionPicks({ nippleId }: { readonly nippleId: string }) {
  const detail = useJob();
  const save = useJobAction('sayFitFact', detail.job.id);
  if (!detail.vehicle.electricBooster) return null;
  const pick = (kind: 'ignitionAsked' | 'ignition', label: string, none: string) => (
    <Pick<Ignition | ''>
      label={label}
      value={factOf(detail, kind, nippleId) ?? ''}
      options={[
        { value: '', text: none },
        ...IGNITIONS.map((value) => ({ value, text: IGNITION_NAMES[value] })),
      ]}
      isDisabled={isClosed(detail.job)}
      onChange={(value) =>
        save.mutate({
          params: { jobId: detail.job.id },
          body: {
            id: newId(),
            said: { kind, subjectId: nippleId, value: value === '' ? null : value },
          },
        })
      }
    />
  );
  return (
    <>
      <Beside>
        {pick('ignitionAsked', 'Ignition, as its maker asks for this wheel', 'not looked up yet')}
        {pick('ignition', 'Ignition, as it is now', 'nobody has said')}
      </Beside>
      <SaveProblem save={save} />
    </>
  );
}
