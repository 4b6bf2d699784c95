/** A quantity that is stored as soon as it makes sense; what makes none stays as typed and says why. */
import type { QuantityKind } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../app/SessionContext.ts';
import { editableText, QuantityField, readQuantity } from './QuantityField.tsx';

interface QuantityEntryProps {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly value_SI: number | null;
  /** Null when the field was emptied; only where nothing may stand. */
  readonly onValue: (value_SI: number | null) => void;
  readonly mayBeEmpty?: boolean;
  /** What no such thing has, in words: it stays as typed and is not handed on. */
  readonly ask?: (value_SI: number) => string | null;
}

export function QuantityEntry({
  label,
  kind,
  value_SI,
  onValue,
  mayBeEmpty = false,
  ask = () => null,
}: QuantityEntryProps) {
  const { units } = useWriter();
  const shown = value_SI === null ? '' : editableText(value_SI, units[kind]);
  const [state, setState] = useState({ text: shown, value_SI, seen_SI: value_SI });
  // Undone, or changed from elsewhere: the field follows. A value that lags behind the typing is nothing new.
  if (state.seen_SI !== value_SI)
    setState(
      state.value_SI === value_SI
        ? { ...state, seen_SI: value_SI }
        : { text: shown, value_SI, seen_SI: value_SI },
    );
  const typed = readQuantity(state.text, kind).quantity;
  const doubt = typed ? ask(typed.value_SI) : null;
  return (
    <QuantityField
      label={label}
      kind={kind}
      text={state.text}
      onText={(text) => {
        const read = readQuantity(text, kind).quantity;
        const quantity = read && ask(read.value_SI) === null ? read : null;
        const next = quantity ? quantity.value_SI : text.trim() === '' && mayBeEmpty ? null : state.value_SI;
        setState({ ...state, text, value_SI: next });
        if (next !== state.value_SI) onValue(next);
      }}
      error={
        state.text.trim() === '' && !mayBeEmpty ? 'This figure is needed: type it with its unit.' : doubt
      }
    />
  );
}
