/** A quantity that is kept elsewhere as a number: the text is the field's own, and only what is understood is handed on. */
import type { QuantityKind } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../app/SessionContext.ts';
import { editableText, QuantityField, readQuantity } from './QuantityField.tsx';

interface QuantityEditProps {
  readonly label: string;
  readonly kind?: QuantityKind;
  readonly value: number | null;
  readonly onValue: (value: number) => void;
  /** Where nothing is an answer: handed on when the field is emptied. */
  readonly onEmpty?: () => void;
  readonly allowZero?: boolean;
  readonly allowNegative?: boolean;
  readonly error?: string | null;
}

export function QuantityEdit({
  label,
  kind = 'length',
  value,
  onValue,
  onEmpty,
  allowZero,
  allowNegative,
  error,
}: QuantityEditProps) {
  const { units } = useWriter();
  const shown = value === null ? '' : editableText(value, units[kind]);
  const [state, setState] = useState({ text: shown, value, seen: value });
  // Dragged, undone or changed elsewhere: the field follows. What lags behind the typing is nothing new.
  if (state.seen !== value)
    setState(state.value === value ? { ...state, seen: value } : { text: shown, value, seen: value });
  const take = (text: string) => {
    const read = readQuantity(text, kind, allowZero, allowNegative).quantity;
    if (text.trim() === '' && onEmpty) {
      setState({ ...state, text, value: null });
      if (state.value !== null) onEmpty();
      return;
    }
    setState({ ...state, text, value: read?.value_SI ?? state.value });
    if (read && read.value_SI !== state.value) onValue(read.value_SI);
  };
  return (
    <QuantityField
      label={label}
      kind={kind}
      text={state.text}
      onText={take}
      allowZero={allowZero ?? false}
      allowNegative={allowNegative ?? false}
      error={error ?? null}
    />
  );
}
