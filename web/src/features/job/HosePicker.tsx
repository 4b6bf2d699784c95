import type { JobHose, JobLine } from '@zephyrcombe/contract';
import { partsOf } from '@zephyrcombe/contract';
import { ChoiceRow } from '../../design/fields.tsx';
import { useJob, useSelection } from './JobContext.ts';

interface LinePickerProps {
  readonly current: string;
  /** Which hoses are done with in this stage; they carry a tick. */
  readonly isDone: (hose: JobHose) => boolean;
  readonly isLineDone: (line: JobLine) => boolean;
}

interface Item {
  readonly id: string;
  readonly done: boolean;
}

/** One of these at hand. A single one needs no choice. */
function ItemPicker({ label, current, items }: { label: string; current: string; items: readonly Item[] }) {
  const detail = useJob();
  const { select } = useSelection();
  if (items.length < 2) return null;
  const name = (id: string) => partsOf(detail).hoses.find((candidate) => candidate.id === id)?.name ?? '';
  return (
    <ChoiceRow
      label={label}
      value={current}
      options={items.map(({ id, done }) => ({ value: id, text: `${name(id)}${done ? ' ✓' : ''}` }))}
      onChange={(hose) => select({ hose })}
    />
  );
}

/** The hoses of the job. */
export function HosePicker({ current, isDone }: Pick<LinePickerProps, 'isDone'> & { current: JobHose }) {
  const items = useJob().hoses.map((hose) => ({ id: hose.hoseId, done: isDone(hose) }));
  return <ItemPicker label="Hose" current={current.hoseId} items={items} />;
}

/** The hoses and hard lines of the job. */
export function LinePicker({ current, isDone, isLineDone }: LinePickerProps) {
  const { hoses, lines } = useJob();
  const items = [
    ...hoses.map((hose) => ({ id: hose.hoseId, done: isDone(hose) })),
    ...lines.map((line) => ({ id: line.lineId, done: isLineDone(line) })),
  ];
  return (
    <ItemPicker label={lines.length > 0 ? 'Hose or hard line' : 'Hose'} current={current} items={items} />
  );
}
