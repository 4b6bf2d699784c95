/** An end as its dimensions are typed: what stays empty is our example’s. */
import { END_FAMILIES, EXAMPLE_BENDS_deg } from '@zephyrcombe/core';
import { useWriter } from '../../app/SessionContext.ts';
import { Pick } from '../../design/Pick.tsx';
import { Beside, Stack } from '../../design/layout.ts';
import { editableText, QuantityField } from '../../quantities/QuantityField.tsx';
import { FAMILY_WORDS } from '../donor/DonorCheck.tsx';
import type { EndField, TypedEnd } from './datumState.ts';
import { END_FIELDS, exampleOf } from './datumState.ts';

const FIELD_WORDS: Readonly<Record<EndField, string>> = {
  ferruleToApex: 'ferrule to the bend',
  apexToPoint: 'bend to the seal',
  neck: 'seal to behind the neck',
};

interface EndFieldsProps {
  readonly name: string;
  readonly end: TypedEnd;
  readonly onEnd: (end: TypedEnd) => void;
}

export function EndFields({ name, end, onEnd }: EndFieldsProps) {
  const { units } = useWriter();
  const example = exampleOf(end);
  const usual_m: Readonly<Record<EndField, number>> = {
    ferruleToApex: example.ferruleToApex_m,
    apexToPoint: example.apexToPoint_m,
    neck: example.neckLength_m,
  };
  return (
    <Stack $gap={10} role="group" aria-label={name}>
      <Beside>
        <Pick
          label={name}
          value={end.family}
          options={END_FAMILIES.map((value) => ({ value, text: FAMILY_WORDS[value] }))}
          onChange={(family) => onEnd({ ...end, family })}
        />
        <Pick
          label={`${name}, bend`}
          value={String(end.bend_deg)}
          options={EXAMPLE_BENDS_deg.map((value) => ({ value: String(value), text: `${value}°` }))}
          onChange={(bend) => onEnd({ ...end, bend_deg: Number(bend) })}
        />
      </Beside>
      <Beside>
        {END_FIELDS.map((field) => (
          <QuantityField
            key={field}
            label={`${name}, ${FIELD_WORDS[field]}`}
            kind="length"
            allowZero
            placeholder={editableText(usual_m[field], units.length)}
            text={end.typed[field]}
            onText={(typed) => onEnd({ ...end, typed: { ...end.typed, [field]: typed } })}
          />
        ))}
      </Beside>
    </Stack>
  );
}
