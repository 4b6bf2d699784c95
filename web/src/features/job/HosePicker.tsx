import type { JobHose } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import { ChoiceRow } from '../../design/fields.tsx';
import { useJob, useSelection } from './JobContext.ts';

interface HosePickerProps {
  readonly current: JobHose;
  /** Which hoses are done with in this stage; they carry a tick. */
  readonly isDone: (hose: JobHose) => boolean;
}

/** The hoses of the job, one of them at hand. A job with one hose needs no choice. */
export function HosePicker({ current, isDone }: HosePickerProps) {
  const detail = useJob();
  const { select } = useSelection();
  if (detail.hoses.length < 2) return null;
  const name = (hose: JobHose) =>
    partsOf(detail).hoses.find((candidate) => candidate.id === hose.hoseId)?.name ?? '';
  return (
    <ChoiceRow
      label="Hose"
      value={current.hoseId}
      options={detail.hoses.map((hose) => ({
        value: hose.hoseId,
        text: `${name(hose)}${isDone(hose) ? ' ✓' : ''}`,
      }))}
      onChange={(hose) => select({ hose })}
    />
  );
}
