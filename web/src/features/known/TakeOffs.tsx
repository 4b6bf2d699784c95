/** The dimensions of one end: an example of ours until somebody reads them from the maker's sheet, or measures the end. */
import type { JobHose } from '@zephyrcombe/contract';
import type { EndGeometry, TakeOffSource } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../../app/SessionContext.ts';
import { PlainButton, TextButton } from '../../design/Button.tsx';
import { ChoiceRow } from '../../design/fields.tsx';
import { Fine, Line, Stack } from '../../design/layout.ts';
import { editableText, QuantityField, readQuantity } from '../../quantities/QuantityField.tsx';
import { Assumed } from './KnownText.tsx';

const FIELDS = ['ferruleToApex_m', 'apexToPoint_m', 'neckLength_m'] as const;
type Field = (typeof FIELDS)[number];
const FIELD_LABELS: Readonly<Record<Field, string>> = {
  ferruleToApex_m: 'ferrule to the bend',
  apexToPoint_m: 'bend to the seal',
  neckLength_m: 'seal to behind the neck',
};
type Vouched = Exclude<TakeOffSource, 'example'>;
const SOURCE_TEXTS: Readonly<Record<Vouched, string>> = {
  makersData: 'read from the maker’s sheet',
  measured: 'measured on the end',
};

interface TakeOffsProps {
  readonly name: string;
  readonly hose: JobHose;
  readonly end: 'endA' | 'endB';
  readonly isPending: boolean;
  readonly finished: boolean;
  readonly onEnd: (end: EndGeometry) => void;
}

export function TakeOffs({ name, hose, end, isPending, finished, onEnd }: TakeOffsProps) {
  const write = useWriter();
  const known = hose[end];
  const [isOpen, setIsOpen] = useState(false);
  const figures = FIELDS.map((field) => `${write.length(known[field])} ${FIELD_LABELS[field]}`).join(', ');
  const from = known.takeOffsFrom ?? 'example';
  return (
    <Stack $gap={6}>
      <Line>
        {from === 'example' ? (
          <Assumed>Take-offs assumed: an example of ours</Assumed>
        ) : (
          <Fine>Take-offs {SOURCE_TEXTS[from]}</Fine>
        )}
        {finished ? null : (
          <TextButton onPress={() => setIsOpen(!isOpen)}>
            {isOpen ? 'Leave them' : `Enter the take-offs of ${name}`}
          </TextButton>
        )}
      </Line>
      {isOpen ? (
        <TakeOffForm
          name={name}
          end={known}
          isPending={isPending}
          onEnd={(next) => {
            onEnd(next);
            setIsOpen(false);
          }}
        />
      ) : (
        <Fine>{figures}</Fine>
      )}
    </Stack>
  );
}

interface FormProps {
  readonly name: string;
  readonly end: EndGeometry;
  readonly isPending: boolean;
  readonly onEnd: (end: EndGeometry) => void;
}

function TakeOffForm({ name, end, isPending, onEnd }: FormProps) {
  const { units } = useWriter();
  // An example is no figure to agree with: its fields start empty.
  const isExample = (end.takeOffsFrom ?? 'example') === 'example';
  const [texts, setTexts] = useState<Readonly<Record<Field, string>>>({
    ferruleToApex_m: isExample ? '' : editableText(end.ferruleToApex_m, units.length),
    apexToPoint_m: isExample ? '' : editableText(end.apexToPoint_m, units.length),
    neckLength_m: isExample ? '' : editableText(end.neckLength_m, units.length),
  });
  const [from, setFrom] = useState<Vouched>('makersData');
  const read = FIELDS.map((field) => readQuantity(texts[field], 'length', true).quantity);
  const [ferruleToApex, apexToPoint, neckLength] = read;
  return (
    <Stack $gap={8} role="group" aria-label={`Take-offs of ${name}`}>
      {FIELDS.map((field) => (
        <QuantityField
          key={field}
          label={`Take-off of ${name}, ${FIELD_LABELS[field]}`}
          kind="length"
          allowZero
          placeholder={editableText(end[field], units.length)}
          text={texts[field]}
          onText={(text) => setTexts({ ...texts, [field]: text })}
        />
      ))}
      <ChoiceRow<Vouched>
        label="Where from"
        value={from}
        options={(['makersData', 'measured'] as const).map((value) => ({ value, text: SOURCE_TEXTS[value] }))}
        onChange={setFrom}
      />
      <PlainButton
        isPending={isPending}
        because={
          ferruleToApex && apexToPoint && neckLength ? null : 'Type all three figures, each with its unit.'
        }
        onPress={() => {
          if (!ferruleToApex || !apexToPoint || !neckLength) return;
          onEnd({
            ...end,
            ferruleToApex_m: ferruleToApex.value_SI,
            apexToPoint_m: apexToPoint.value_SI,
            neckLength_m: neckLength.value_SI,
            takeOffsFrom: from,
          });
        }}
      >
        Keep these take-offs
      </PlainButton>
    </Stack>
  );
}
