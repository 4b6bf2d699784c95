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

/** What is being typed, kept on this device until it is saved: a reload or a sleeping phone loses nothing. */
export function useDraft<Value>(
  key: string,
  initial: Value,
): readonly [Value, (value: Value) => void, () => void] {
  const [state, setState] = useState(() => ({ key, value: read(key, initial) }));
  // Another hose or joint has a draft of its own.
  if (state.key !== key) setState({ key, value: read(key, initial) });
  const write = useCallback(
    (value: Value) => {
      setState({ key, value });
      try {
        localStorage.setItem(PREFIX + key, JSON.stringify(value));
      } catch {
        return;
      }
    },
    [key],
  );
  const clear = useCallback(() => {
    setState({ key, value: initial });
    localStorage.removeItem(PREFIX + key);
  }, [key, initial]);
  return [state.key === key ? state.value : read(key, initial), write, clear];
}
