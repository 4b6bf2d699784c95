/** Nothing printed on the reservoir or in the manual: the strokes between its marks tell its volume, or the travel of the lever. */
import type { HydraulicComponent } from '@zephyrcombe/core';
import { STROKE_EFFICIENCY, strokeByStrokes, volumeByStrokes, withKnown } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Line, Stack } from '../../design/layout.ts';
import { Working } from '../../quantities/Working.tsx';

interface CountStrokesProps {
  readonly master: HydraulicComponent;
  readonly reservoir: HydraulicComponent;
  readonly onPart: (id: string, change: Partial<HydraulicComponent>) => void;
}

export function CountStrokes({ master, reservoir, onPart }: CountStrokesProps) {
  const [isOpen, setIsOpen] = useState(false);
  const [text, setText] = useState('');
  const write = useWriter();
  const { masterBore_m, leverRatio, leverStroke_m } = master;
  const { usable_m3 } = reservoir;
  if (!isOpen)
    return (
      <div>
        <TextButton onPress={() => setIsOpen(true)}>
          Nothing printed? Count the strokes between the marks
        </TextButton>
      </div>
    );
  if (masterBore_m === null || leverRatio === null || (leverStroke_m === null && usable_m3 === null))
    return (
      <Fine>
        Counting tells one figure from the others: enter bore, ratio, and either the travel of the lever or
        the volume of the reservoir first.
      </Fine>
    );
  const strokes = /^\s*\d{1,3}\s*$/.test(text) ? Number(text) : null;
  const known = { masterBore_m, leverRatio, efficiency: STROKE_EFFICIENCY };
  const isVolume = leverStroke_m !== null;
  const result =
    strokes === null || strokes === 0
      ? null
      : leverStroke_m !== null
        ? volumeByStrokes({ ...known, leverStroke_m }, strokes)
        : strokeByStrokes(known, usable_m3 ?? 0, strokes);
  const keep = (value: number) => {
    if (isVolume) {
      const { known: said } = withKnown(reservoir, ['usable_m3'], { how: 'measured' });
      onPart(reservoir.id, { usable_m3: value, known: said });
    } else {
      const { known: said } = withKnown(master, ['leverStroke_m'], { how: 'measured' });
      onPart(master.id, { leverStroke_m: value, known: said });
    }
    setIsOpen(false);
  };
  return (
    <Stack $gap={8} role="group" aria-label="Strokes between the marks">
      <TextField
        label="Full strokes from the full mark to the minimum, at an open nipple"
        value={text}
        onChange={setText}
        error={text.trim() === '' || strokes !== null ? null : 'A whole number of strokes.'}
      />
      {result?.ok ? (
        <Line>
          <span>
            {isVolume ? `reservoir ${write.volume(result.value)}` : `travel ${write.length(result.value)}`}{' '}
            <Working of={isVolume ? 'volume by strokes' : 'travel by strokes'} result={result} />
          </span>
          <PlainButton onPress={() => keep(result.value)}>
            Take {isVolume ? write.volume(result.value) : write.length(result.value)}
          </PlainButton>
        </Line>
      ) : null}
      <div>
        <TextButton onPress={() => setIsOpen(false)}>Not now</TextButton>
      </div>
    </Stack>
  );
}
