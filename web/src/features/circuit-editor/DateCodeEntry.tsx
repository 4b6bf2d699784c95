/** The date on a hose as it is printed there; where it reads two ways, the person with the hose in hand decides. */
import type { Construction } from '@zephyrcombe/core';
import { hoseAge, readDateCode } from '@zephyrcombe/core';
import { dateCodeText, hoseAgeText } from '@zephyrcombe/messages';
import { useState } from 'react';
import { useToday, useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { TextField } from '../../design/fields.tsx';
import { Fine, Line, Stack } from '../../design/layout.ts';
import { Working } from '../../quantities/Working.tsx';

interface DateCodeEntryProps {
  readonly madeOn: string | null;
  readonly construction: Construction;
  readonly onDate: (madeOn: string | null) => void;
}

export function DateCodeEntry({ madeOn, construction, onDate }: DateCodeEntryProps) {
  const write = useWriter();
  const today = useToday();
  const [text, setText] = useState('');
  const readings = text.trim() === '' ? [] : readDateCode(text, today);
  const age = madeOn === null ? null : hoseAge(madeOn, today, construction);
  return (
    <Stack $gap={6}>
      <TextField
        label="Date code, as printed on the hose"
        value={text}
        onChange={setText}
        error={
          text.trim().length >= 4 && readings.length === 0
            ? 'No date fits that. Type it as printed: 03/21, 1221, Q3 19, W12 21.'
            : null
        }
      />
      {readings.length > 0 ? (
        <div role="group" aria-label="What the date code may mean">
          {readings.length > 1 ? <Fine>It reads {readings.length} ways. Which is it?</Fine> : null}
          <Line $gap={8}>
            {readings.map((reading) => (
              <PlainButton
                key={`${reading.kind} ${reading.from}`}
                onPress={() => {
                  onDate(reading.from);
                  setText('');
                }}
              >
                {dateCodeText(reading)}
              </PlainButton>
            ))}
          </Line>
        </div>
      ) : null}
      {madeOn === null ? (
        <Fine>No date entered.</Fine>
      ) : (
        <Fine>
          Made {write.date(madeOn)} or after{age?.ok ? `: ${hoseAgeText(age.value)}. ` : '. '}
          {age?.ok ? <Working of="age of the hose" result={age} /> : null}{' '}
          <TextButton onPress={() => onDate(null)}>Clear the date</TextButton>
        </Fine>
      )}
    </Stack>
  );
}
