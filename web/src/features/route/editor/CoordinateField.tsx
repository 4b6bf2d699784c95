/** A signed figure in a table: its column says the unit, any other unit may be typed with it. */
import { fromSI, parseQuantity, toSI } from '@zephyrcombe/core';
import { useState } from 'react';
import styled from 'styled-components';
import { useWriter } from '../../../app/SessionContext.ts';
import { PHONE, colour, SIZE } from '../../../design/tokens.ts';

const Small = styled.input`
  width: 86px;
  min-height: 40px;
  ${PHONE} {
    min-height: 44px;
  }
  padding: 4px 8px;
  border: 1px solid ${colour('inkSoft')};
  border-radius: 0;
  background: ${colour('sheet')};
  font-size: ${SIZE.text};
  text-align: right;
  &[aria-invalid='true'] {
    border: 2px solid ${colour('danger')};
  }
`;

interface CoordinateFieldProps {
  readonly label: string;
  readonly kind: 'length' | 'number';
  readonly value: number;
  readonly onValue: (value: number) => void;
}

/** A vehicle is smaller than this. */
const FARTHEST = 20;

export function CoordinateField({ label, kind, value, onValue }: CoordinateFieldProps) {
  const { units } = useWriter();
  const shown = String(
    Number((kind === 'length' ? fromSI(value, units.length) : value).toFixed(kind === 'length' ? 2 : 4)),
  );
  const [state, setState] = useState({ text: shown, value, seen: value });
  // Dragged, undone, or changed from elsewhere: the field follows. A value that lags behind the typing is nothing new.
  if (state.seen !== value)
    setState(state.value === value ? { ...state, seen: value } : { text: shown, value, seen: value });
  const read = (text: string): number | null => {
    if (kind === 'number') {
      const number = Number(text.trim().replace('−', '-'));
      return text.trim() !== '' && Number.isFinite(number) ? number : null;
    }
    const parsed = parseQuantity(text, 'length');
    if (parsed.ok) return parsed.value_SI;
    return parsed.reason === 'unitMissing' ? toSI(parsed.number, units.length) : null;
  };
  const now = read(state.text);
  const isWrong = now === null || Math.abs(now) > FARTHEST;
  return (
    <Small
      aria-label={label}
      aria-invalid={isWrong}
      title={
        isWrong ? 'A figure in the unit of the column, or one with its own unit; within 20 m.' : undefined
      }
      value={state.text}
      inputMode="text"
      onChange={(event) => {
        const text = event.target.value;
        const next = read(text);
        const isRight = next !== null && Math.abs(next) <= FARTHEST;
        setState({ ...state, text, value: isRight ? next : state.value });
        if (isRight && next !== state.value) onValue(next);
      }}
    />
  );
}
