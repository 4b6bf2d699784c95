/** The proof test of a hose made up here: pressure, time, with what, at which gauge, and what was seen. */
import { digestOf, proofFacts } from '@zephyrcombe/workshop';
import type { HoseOfJob } from '@zephyrcombe/contract';
import { may } from '@zephyrcombe/contract';
import { PROOF_FAULT_NAMES, PROOF_MEDIUM_NAMES, whoMay } from '@zephyrcombe/messages';
import type { ProofMedium } from '@zephyrcombe/core';
import { PROOF, PROOF_MEDIA, proofFaults } from '@zephyrcombe/core';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { usePerson, useWriter } from '../../app/SessionContext.ts';
import { useDraft } from '../../app/useDraft.ts';
import { PrimaryButton } from '../../design/Button.tsx';
import { ChoiceRow, TextField } from '../../design/fields.tsx';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Fine, Stack } from '../../design/layout.ts';
import { Notice } from '../../design/Notice.tsx';
import { QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { useJob } from '../job/JobContext.ts';

const SEEN = [
  { value: 'open', text: 'not yet' },
  { value: 'tight', text: 'dry, gauge stood still' },
  { value: 'leaked', text: 'wet, or it fell' },
] as const;

export function ProofForm({ own }: { readonly own: HoseOfJob }) {
  const detail = useJob();
  const write = useWriter();
  const person = usePerson();
  const { hose } = own;
  const key = `proof.${detail.job.id}.${hose.hoseId}`;
  const [typed, setTyped, clear] = useDraft<{
    readonly pressure: string;
    readonly hold: string;
    readonly medium: ProofMedium;
    readonly gauge: string;
  }>(key, { pressure: '', hold: '', medium: 'water', gauge: '' });
  const [seen, setSeen] = useState<(typeof SEEN)[number]['value']>('open');
  const save = useJobAction('proveHose', detail.job.id, clear);
  const pressure = readQuantity(typed.pressure, 'pressure').quantity;
  const hold_s = /^\d+(\.\d+)?$/.test(typed.hold.trim()) ? Number(typed.hold) : null;
  const set = (next: Partial<typeof typed>) => setTyped({ ...typed, ...next });
  const test =
    pressure && hold_s !== null && hold_s > 0 && seen !== 'open'
      ? { pressure_Pa: pressure.value_SI, hold_s, tight: seen === 'tight' }
      : null;
  const faults = test ? proofFaults(test) : [];
  return (
    <Stack $gap={10} style={{ marginTop: 8 }}>
      <Notice severity="warn" title="Pressure can cut and blind">
        <p>
          Filled with water or fluid, never with air; every bubble out before it is raised. Behind a shield,
          eyes covered, hands off the hose while there is pressure on it.
        </p>
      </Notice>
      <Fine>
        At least {write.quantity({ kind: 'pressure', value_SI: PROOF.pressure_Pa })} for {PROOF.hold_s} s: our
        default, the hose maker’s sheet replaces it.
      </Fine>
      <Beside>
        <QuantityField
          label="Pressure held"
          kind="pressure"
          text={typed.pressure}
          onText={(text) => set({ pressure: text })}
        />
        <TextField
          label="For how long, seconds"
          value={typed.hold}
          error={typed.hold.trim() === '' || hold_s !== null ? null : 'A number of seconds.'}
          onChange={(hold) => set({ hold })}
        />
        <Pick
          label="Filled with"
          value={typed.medium}
          options={PROOF_MEDIA.map((value) => ({ value, text: PROOF_MEDIUM_NAMES[value] }))}
          onChange={(medium) => set({ medium })}
        />
        <TextField label="Gauge, and its check" value={typed.gauge} onChange={(gauge) => set({ gauge })} />
      </Beside>
      <ChoiceRow label="What was seen" value={seen} options={SEEN} onChange={setSeen} />
      {faults.length > 0 ? (
        <Notice severity="stop" title="This is no passed test">
          <p>
            {faults
              .map((fault) => PROOF_FAULT_NAMES[fault])
              .join(', ')
              .replace(/^./, (first) => first.toUpperCase())}
            . It is recorded all the same; the hose is not fitted before one has passed.
          </p>
        </Notice>
      ) : null}
      <SaveProblem save={save} />
      <PrimaryButton
        isPending={save.isPending}
        because={
          !may(person, 'approve')
            ? whoMay('approve')
            : test === null
              ? 'Enter the pressure and the time that it was held.'
              : typed.gauge.trim() === ''
                ? 'Name the gauge.'
                : null
        }
        onPress={() => {
          if (test && pressure)
            save.mutate({
              params: { jobId: detail.job.id, hoseId: hose.hoseId },
              body: {
                version: hose.version,
                seen: digestOf(proofFacts(own)),
                ...test,
                typed: pressure.typed,
                medium: typed.medium,
                gauge: typed.gauge.trim(),
              },
            });
        }}
      >
        Record the proof test
      </PrimaryButton>
    </Stack>
  );
}
