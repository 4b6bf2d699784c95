import { useCallback, useContext, useState } from 'react';
import { PersonContext } from './SessionContext.ts';

/** Drafts belong to a person: the next one to sign in on this device never sees them. */
const PREFIX = 'zephyrcombe.drafts.';
/** Until 2026 drafts had no owner. They are taken away unread. */
const UNOWNED = 'zephyrcombe.draft.';

/** Where a person's draft lies in the device's storage. */
export function draftKey(personId: string | null, key: string): string {
  return `${PREFIX}${personId ?? 'nobody'}.${key}`;
}

/** Takes away the drafts of which nobody knows whose they are. */
export function dropUnownedDrafts(storage: Storage): void {
  const keys = Array.from({ length: storage.length }, (_, index) => storage.key(index));
  for (const key of keys) if (key?.startsWith(UNOWNED)) storage.removeItem(key);
}

function read<Value>(place: string, initial: Value): Value {
  try {
    const stored = localStorage.getItem(place);
    return stored === null ? initial : (JSON.parse(stored) as Value);
  } catch {
    // Storage may be full, forbidden or written by an older version: typing goes on without it.
    return initial;
  }
}

function keep(place: string, value: unknown): void {
  try {
    localStorage.setItem(place, JSON.stringify(value));
  } catch {
    // Without storage the draft lives as long as the page does.
  }
}

/** Leaves a draft of the person for another page to take up. */
export function leaveDraft(personId: string, key: string, value: unknown): void {
  keep(draftKey(personId, key), value);
}

/** What is being typed, kept on this device until it is saved: a reload or a sleeping phone loses nothing. */
export function useDraft<Value>(
  key: string,
  initial: Value,
): readonly [Value, (next: Value | ((current: Value) => Value)) => void, () => void] {
  const place = draftKey(useContext(PersonContext)?.id ?? null, key);
  const [state, setState] = useState(() => ({ place, value: read(place, initial) }));
  // Another person, hose or joint has a draft of its own.
  if (state.place !== place) setState({ place, value: read(place, initial) });
  const write = useCallback(
    (next: Value | ((current: Value) => Value)) => {
      setState((before) => {
        const value = typeof next === 'function' ? (next as (current: Value) => Value)(before.value) : next;
        keep(place, value);
        return { place, value };
      });
    },
    [place],
  );
  const clear = useCallback(() => {
    setState({ place, value: initial });
    localStorage.removeItem(place);
  }, [place, initial]);
  return [state.place === place ? state.value : read(place, initial), write, clear];
}
