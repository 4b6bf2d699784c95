import { useCallback } from 'react';
import { useSearchParams } from 'react-router';
import { useSetQuery } from './useSetQuery.ts';

/** What a bench tool was told, kept in its address: a link opens it as it was. An empty text is taken out. */
export function useAddress(): readonly [
  (name: string) => string,
  (changes: Readonly<Record<string, string>>) => void,
] {
  const [query] = useSearchParams();
  const setQuery = useSetQuery({ atOnce: true });
  const text = (name: string) => query.get(name) ?? '';
  const set = useCallback(
    (changes: Readonly<Record<string, string>>) =>
      setQuery((after) => {
        for (const [name, value] of Object.entries(changes))
          if (value === '') after.delete(name);
          else after.set(name, value);
        return after;
      }),
    [setQuery],
  );
  return [text, set];
}
