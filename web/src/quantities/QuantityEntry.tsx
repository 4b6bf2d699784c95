/** A quantity that is kept elsewhere as a number: handed on as soon as it makes sense; what makes none stays as typed and says why. */
import type { QuantityKind } from '@zephyrcombe/core';
import { useState } from 'react';
import { useWriter } from '../app/SessionContext.ts';
import { editableText, QuantityField, readQuantity } from './QuantityField.tsx';

type Handing =
  | { readonly mayBeEmpty?: false; readonly onValue: (value_SI: number) => void }
  /** Nothing is an answer: null when the field was emptied. */
  | { readonly mayBeEmpty: true; readonly onValue: (value_SI: number | null) => void };

type QuantityEntryProps = Handing & {
  readonly label: string;
  readonly kind?: QuantityKind;
  readonly value_SI: number | null;
  readonly allowZero?: boolean;
  readonly allowNegative?: boolean;
  /** What no such thing has, in words: it stays as typed and is not handed on. */
  readonly ask?: (value_SI: number) => string | null;
  /** What is wrong with it beside other figures. */
  readonly error?: string | null;
};

export function QuantityEntry({
  label,
  kind = 'length',
  value_SI,
  allowZero = false,
  allowNegative = false,
  ask = () => null,
  error = null,
  ...handing
}: QuantityEntryProps) {
  const { units } = useWriter();
  const shown = value_SI === null ? '' : editableText(value_SI, units[kind]);
  const [state, setState] = useState({ text: shown, value_SI, seen_SI: value_SI });
  // Dragged, undone or changed from elsewhere: the field follows. A value that lags behind the typing is nothing new.
  if (state.seen_SI !== value_SI)
    setState(
      state.value_SI === value_SI
        ? { ...state, seen_SI: value_SI }
        : { text: shown, value_SI, seen_SI: value_SI },
    );
  const read = (text: string) => readQuantity(text, kind, allowZero, allowNegative).quantity;
  const typed = read(state.text);
  const isMissing = state.text.trim() === '' && !handing.mayBeEmpty && state.value_SI !== null;
  const take = (text: string) => {
    const quantity = read(text);
    const isEmptied = text.trim() === '' && handing.mayBeEmpty === true;
    const next =
      quantity && ask(quantity.value_SI) === null ? quantity.value_SI : isEmptied ? null : state.value_SI;
    setState({ ...state, text, value_SI: next });
    if (next === state.value_SI) return;
    if (handing.mayBeEmpty) handing.onValue(next);
    else if (next !== null) handing.onValue(next);
  };
  return (
    <QuantityField
      label={label}
      kind={kind}
      text={state.text}
      onText={take}
      allowZero={allowZero}
      allowNegative={allowNegative}
      error={
        error ??
        (isMissing ? 'This figure is needed: type it with its unit.' : typed ? ask(typed.value_SI) : null)
      }
    />
  );
}
