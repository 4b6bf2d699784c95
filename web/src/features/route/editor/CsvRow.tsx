/** The points as a file, out and in. */
import type { Corner } from '@zephyrcombe/core';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { PlainButton } from '../../../design/Button.tsx';
import { Fine, Line, Stack } from '../../../design/layout.ts';
import { readCsv, writeCsv } from './sceneCsv.ts';

interface CsvRowProps {
  readonly corner: Corner;
  readonly onCorner: (corner: Corner) => void;
}

/** A table of a few dozen points; more is not one. */
const MOST_bytes = 200_000;
const MOST_SHOWN = 6;

export function CsvRow({ corner, onCorner }: CsvRowProps) {
  const [said, setSaid] = useState<readonly string[]>([]);
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_bytes) {
      setSaid(['That file is larger than any table of points. Choose the CSV of this corner.']);
      return;
    }
    const read = readCsv(await file.text(), corner);
    if (read.taken > 0) onCorner(read.corner);
    setSaid([
      read.taken === 1 ? 'One point taken.' : `${read.taken} points taken.`,
      ...read.left.slice(0, MOST_SHOWN),
      ...(read.left.length > MOST_SHOWN ? [`And ${read.left.length - MOST_SHOWN} more lines left out.`] : []),
    ]);
  };
  const save = () => {
    const address = URL.createObjectURL(new Blob([writeCsv(corner)], { type: 'text/csv' }));
    const link = document.createElement('a');
    link.href = address;
    link.download = 'points.csv';
    link.click();
    URL.revokeObjectURL(address);
  };
  return (
    <Stack $gap={6}>
      <Line>
        <PlainButton onPress={save}>Points as CSV</PlainButton>
        <FileTrigger acceptedFileTypes={['.csv', 'text/csv']} onSelect={(files) => void take(files?.[0])}>
          <PlainButton>Read points from CSV</PlainButton>
        </FileTrigger>
      </Line>
      <div aria-live="polite">
        {said.map((text) => (
          <Fine key={text}>{text}</Fine>
        ))}
      </div>
    </Stack>
  );
}
