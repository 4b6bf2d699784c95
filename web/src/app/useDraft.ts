import { useCallback, useState } from 'react';

const PREFIX = 'zephyrcombe.draft.';

function read<Value>(key: string, initial: Value): Value {
  try {
    const stored = localStorage.getItem(PREFIX + key);
    return stored === null ? initial : (JSON.parse(stored) as Value);
  } catch {
    // Storage may be full, forbidden or written by an older version: typing goes on without it.
    return initial;
  }
}

/** Leaves a draft for another page to take up. */
export function leaveDraft(key: string, value: unknown): void {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify(value));
  } catch {
    // Without storage the other page starts from what is saved.
  }
}

/** What is being typed, kept on this device until it is saved: a reload or a sleeping phone loses nothing. */
export function useDraft<Value>(
  key: string,
  initial: Value,
): readonly [Value, (next: Value | ((current: Value) => Value)) => void, () => void] {
  const [state, setState] = useState(() => ({ key, value: read(key, initial) }));
  // Another hose or joint has a draft of its own.
  if (state.key !== key) setState({ key, value: read(key, initial) });
  const write = useCallback(
    (next: Value | ((current: Value) => Value)) => {
      setState((before) => {
        const value = typeof next === 'function' ? (next as (current: Value) => Value)(before.value) : next;
        try {
          localStorage.setItem(PREFIX + key, JSON.stringify(value));
        } catch {
          // The draft then lives as long as the page does.
        }
        return { key, value };
      });
    },
    [key],
  );
  const clear = useCallback(() => {
    setState({ key, value: initial });
    localStorage.removeItem(PREFIX + key);
  }, [key, initial]);
  return [state.key === key ? state.value : read(key, initial), write, clear];
}
