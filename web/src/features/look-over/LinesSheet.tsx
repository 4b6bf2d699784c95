/** The hoses and hard lines of the circuit: which this job replaces, how old they are, what was found on them. */
import type { Hose } from '@zephyrcombe/contract';
import { hydraulicsOf, isClosed } from '@zephyrcombe/contract';
import { leftOn } from '@zephyrcombe/workshop';
import { flaresText, hoseAgeText, LINE_NAMES } from '@zephyrcombe/messages';
import type { Construction } from '@zephyrcombe/core';
import { changeLine, CONSTRUCTIONS, hoseAge } from '@zephyrcombe/core';
import { useState } from 'react';
import { useJobAction } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { useToday, useWriter } from '../../app/SessionContext.ts';
import { TextButton } from '../../design/Button.tsx';
import { ChoiceRow, Tick } from '../../design/fields.tsx';
import { Label, Rows, Sheet, SheetTitle, Spread, Stack, Unseen } from '../../design/layout.ts';
import { Working } from '../../quantities/Working.tsx';
import { DateCodeEntry } from '../circuit-editor/DateCodeEntry.tsx';
import { Findings } from '../findings/Findings.tsx';
import { Cautions } from '../job/Cautions.tsx';
import { useCircuitAtHand } from '../job/circuitAtHand.ts';
import { useJob } from '../job/JobContext.ts';
import { scopeIdsOf } from '../job/jobView.ts';
import { useCircuitSave } from './useCircuitSave.ts';

export function LinesSheet() {
  const detail = useJob();
  const { job } = detail;
  const { circuit } = useCircuitAtHand();
  const choose = useJobAction('setScope', job.id);
  const scope = scopeIdsOf(detail);
  const toggled = (ids: readonly string[], id: string, wanted: boolean) => [
    ...ids.filter((one) => one !== id),
    ...(wanted ? [id] : []),
  ];
  const finished = isClosed(job);
  return (
    <Sheet>
      <SheetTitle>Hoses and hard lines</SheetTitle>
      <Stack $gap={8}>
        <Cautions cautions={leftOn(detail)} />
        <SaveProblem save={choose} />
        <Rows>
          {circuit.hoses.map((line) => (
            <Stack key={line.id} $gap={4}>
              <Spread>
                <strong>{line.name}</strong>
                <LineFacts line={line} />
              </Spread>
              <Tick
                isSelected={scope.all.includes(line.id)}
                isDisabled={finished || choose.isPending}
                onChange={(wanted) =>
                  choose.mutate({
                    params: { jobId: job.id },
                    body: {
                      version: job.version,
                      // A circuit stays in the job when its last hose leaves: its fluid is changed.
                      circuitIds: detail.circuits.map((one) => one.circuit.id),
                      hoseIds: line.kind === 'hose' ? toggled(scope.hoseIds, line.id, wanted) : scope.hoseIds,
                      lineIds:
                        line.kind === 'hardLine' ? toggled(scope.lineIds, line.id, wanted) : scope.lineIds,
                    },
                  })
                }
              >
                {line.kind === 'hose' ? 'Replaced in this job' : 'Made anew in this job'}
                <Unseen>, {line.name}</Unseen>
              </Tick>
              {line.kind === 'hose' && !finished ? <DateOnHose line={line} /> : null}
              <Findings subject={line.kind} subjectId={line.id} name={line.name} />
            </Stack>
          ))}
        </Rows>
      </Stack>
    </Sheet>
  );
}

function LineFacts({ line }: { readonly line: Hose }) {
  const write = useWriter();
  const today = useToday();
  const age =
    line.kind === 'hose' && line.madeOn !== null ? hoseAge(line.madeOn, today, line.construction) : null;
  return (
    <Label>
      {[
        LINE_NAMES[line.kind],
        line.kind === 'hose' ? line.construction : line.lineMade ? flaresText(line.lineMade) : null,
        `${line.estimated ? '≈ ' : ''}${write.length(line.length_m)}`,
        `bore ${write.length(line.bore_m)}`,
        age?.ok ? hoseAgeText(age.value) : line.kind === 'hose' ? 'no date on it' : null,
      ]
        .filter((part) => part !== null)
        .join(', ')}{' '}
      {age?.ok ? <Working of={`age of ${line.name}`} result={age} /> : null}
    </Label>
  );
}

/** The date code, read where the hose is: the age follows, and with it whether the hose is due. */
function DateOnHose({ line }: { readonly line: Hose }) {
  const { circuit } = useCircuitAtHand();
  const [open, setOpen] = useState(false);
  const { save, send, readAgain } = useCircuitSave(() => setOpen(false));
  if (!open) {
    return (
      <div>
        <TextButton onPress={() => setOpen(true)}>
          {line.madeOn === null ? 'Read its date code' : 'Correct its date'}
          <Unseen> on {line.name}</Unseen>
        </TextButton>
      </div>
    );
  }
  const change = (part: Partial<Pick<Hose, 'madeOn' | 'construction'>>) =>
    send(changeLine(hydraulicsOf(circuit), line.id, part));
  return (
    <Stack $gap={8}>
      <ChoiceRow<Construction>
        label="Made of"
        value={line.construction}
        options={CONSTRUCTIONS.map((construction) => ({ value: construction, text: construction }))}
        onChange={(construction) => change({ construction })}
      />
      <DateCodeEntry
        madeOn={line.madeOn}
        construction={line.construction}
        onDate={(madeOn) => change({ madeOn })}
      />
      <SaveProblem save={save} onTakeTheirs={readAgain} />
      <div>
        <TextButton onPress={() => setOpen(false)}>Not now</TextButton>
      </div>
    </Stack>
  );
}
