/** How many of a tool or a part the shop has, counted where it is read. */
import type { StockItem } from '@zephyrcombe/contract';
import { useState } from 'react';
import { useCountStock } from '../../api/queries.ts';
import { SaveProblem } from '../../api/SaveProblem.tsx';
import { TextButton } from '../../design/Button.tsx';
import { CountEntry } from '../../design/CountEntry.ts';
import { Fine, Unseen } from '../../design/layout.ts';

interface OnHandProps {
  readonly stockKey: string;
  readonly name: string;
  readonly needed: number;
  readonly item: StockItem | undefined;
}

export function OnHand({ stockKey, name, needed, item }: OnHandProps) {
  const count = useCountStock();
  /** Null until somebody counts. */
  const [text, setText] = useState<string | null>(null);
  /** Whoever has counted stays where the count is. */
  const [isBack, setBack] = useState(false);
  const close = () => {
    setText(null);
    setBack(true);
  };
  const value = text !== null && /^\d{1,5}$/.test(text.trim()) ? Number(text) : null;
  const keep = () => {
    if (value !== null && value !== item?.onHand)
      count.mutate({ body: { key: stockKey, onHand: value, version: item?.version ?? null } });
    if (value !== null || text?.trim() === '') close();
  };
  if (text !== null)
    return (
      <span>
        <CountEntry
          aria-label={`The shop has: ${name}`}
          inputMode="numeric"
          // Somebody has just pressed "count".
          autoFocus
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' && event.key !== 'Escape') return;
            // The key would press the button that has the focus next.
            event.preventDefault();
            if (event.key === 'Enter') keep();
            else close();
          }}
        />
        {value === null && text.trim() !== '' ? <Fine role="alert">A whole number, 0 or more.</Fine> : null}
      </span>
    );
  return (
    <>
      <TextButton autoFocus={isBack} isQuiet onPress={() => setText(item ? String(item.onHand) : '')}>
        {item === undefined
          ? 'not counted'
          : item.onHand >= needed
            ? `${item.onHand} here`
            : `only ${item.onHand} here`}
        <Unseen>, count {name}</Unseen>
      </TextButton>
      <SaveProblem save={count} />
    </>
  );
}
