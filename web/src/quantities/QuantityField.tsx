/**
 * A field for a quantity with its unit. The text and the quantity are two things: the text stays as typed, the
 * quantity is echoed as understood, and a bare number is asked about instead of guessed.
 */
import type { QuantityKind, UnitId } from '@zephyrcombe/core';
import { fromSI, inchFraction, parseQuantity, UNITS, unitsOf } from '@zephyrcombe/core';
import { parseFailureText } from '@zephyrcombe/messages';
import { useState } from 'react';
import { Text, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { useWriter } from '../app/SessionContext.ts';
import { PlainButton } from '../design/Button.tsx';
import { Entry, FieldLabel, Wrong } from '../design/fields.tsx';
import { Unseen } from '../design/layout.ts';
import { FONT, SIZE, colour } from '../design/tokens.ts';

export interface TypedQuantity {
  readonly value_SI: number;
  readonly typed: string;
}

/** The quantity in a text, or null; a sentence says why not. Negative workshop quantities are refused here already. */
export function readQuantity(
  text: string,
  kind: QuantityKind,
  allowZero = false,
  allowNegative = false,
): { readonly quantity: TypedQuantity | null; readonly error: string | null } {
  const parsed = parseQuantity(text, kind);
  if (!parsed.ok) return { quantity: null, error: parseFailureText(parsed, kind) };
  if (kind !== 'temperature' && !allowNegative && (parsed.value < 0 || (parsed.value === 0 && !allowZero))) {
    return { quantity: null, error: `Must be more than nothing: ${text.trim()} is not. Check the sign.` };
  }
  return { quantity: { value_SI: parsed.value_SI, typed: text.trim() }, error: null };
}

interface QuantityFieldProps {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly text: string;
  readonly onText: (text: string) => void;
  /** From the server, about this field. */
  readonly error?: string | null;
  readonly placeholder?: string;
  readonly hideLabel?: boolean;
  readonly onEnter?: () => void;
  readonly big?: boolean;
  readonly allowZero?: boolean;
  /** A direction may go backwards. */
  readonly allowNegative?: boolean;
}

const BigEntry = styled(Entry)<{ $big: boolean }>`
  font-family: ${FONT.figures};
  font-size: ${({ $big }) => ($big ? SIZE.title : SIZE.text)};
`;

const Echo = styled(Text)`
  display: block;
  min-height: 20px;
  font-size: ${SIZE.small};
  color: ${colour('inkSoft')};
  margin-top: 4px;
`;

const Units = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
  button {
    padding: 4px 12px;
    min-height: 44px;
  }
`;

export function QuantityField({
  label,
  kind,
  text,
  onText,
  error,
  placeholder,
  hideLabel,
  onEnter,
  big,
  allowZero,
  allowNegative,
}: QuantityFieldProps) {
  const write = useWriter();
  const [left, setLeft] = useState(false);
  const parsed = parseQuantity(text, kind);
  const own = readQuantity(text, kind, allowZero, allowNegative).error;
  const unitMissing = !parsed.ok && parsed.reason === 'unitMissing';
  // An empty field is not wrong yet, and a unit is still being typed until the field is left.
  const shown =
    error ??
    (text.trim() !== '' && (left || unitMissing === false) && !stillTyping(text, kind, left) ? own : null);
  const echo =
    parsed.ok && parsed.unit !== write.units[kind] && own === null
      ? `= ${write.quantity({ kind, value_SI: parsed.value_SI })}`
      : '';
  const choose = (unit: UnitId) => onText(`${text.trim()} ${UNITS[unit].symbol}`);

  return (
    <div>
      <TextField
        value={text}
        onChange={onText}
        onFocus={() => setLeft(false)}
        onBlur={() => setLeft(true)}
        isInvalid={shown !== null}
        validationBehavior="aria"
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          // Enter on a bare number takes the unit this person reads.
          if (unitMissing) choose(write.units[kind]);
          else onEnter?.();
        }}
      >
        <FieldLabel>{hideLabel ? <Unseen>{label}</Unseen> : label}</FieldLabel>
        <BigEntry $big={big ?? false} placeholder={placeholder ?? ''} autoComplete="off" inputMode="text" />
        <Wrong>{shown}</Wrong>
        {shown === null ? (
          <Echo slot="description">
            {unitMissing ? `${text.trim()} of what? Enter takes ${UNITS[write.units[kind]].symbol}.` : echo}
          </Echo>
        ) : null}
      </TextField>
      {unitMissing ? (
        <Units role="group" aria-label="Choose the unit">
          {offered(kind, write.units[kind]).map((unit) => (
            <PlainButton key={unit} onPress={() => choose(unit)}>
              {UNITS[unit].symbol}
            </PlainButton>
          ))}
        </Units>
      ) : null}
    </div>
  );
}

/** "742 m" on the way to "742 mm": not an error before the field is left. */
function stillTyping(text: string, kind: QuantityKind, left: boolean): boolean {
  const parsed = parseQuantity(text, kind);
  return !left && !parsed.ok && (parsed.reason === 'unknownUnit' || parsed.reason === 'notANumber');
}

/** The units on offer for a bare number, the reader's own first. */
function offered(kind: QuantityKind, preferred: UnitId): readonly UnitId[] {
  const all = unitsOf(kind).map((unit) => unit.id);
  return [preferred, ...all.filter((unit) => unit !== preferred)];
}

/** The text that shows a stored quantity in the reader's unit, ready to be edited. */
export function editableText(value_SI: number, unit: UnitId): string {
  const fraction = unit === 'in' ? inchFraction(value_SI) : null;
  if (fraction !== null) return `${fraction} ${UNITS[unit].symbol}`;
  // A clock shows whole kilometres or miles; rounded down it would read less than what is on record.
  if (UNITS[unit].kind === 'distance')
    return `${Math.ceil(Number(fromSI(value_SI, unit).toFixed(3)))} ${UNITS[unit].symbol}`;
  return `${Number(fromSI(value_SI, unit).toFixed(3))} ${UNITS[unit].symbol}`;
}
