import { useCallback } from 'react';
import { useSearchParams } from 'react-router';

/** What a bench tool was told, kept in its address: a link opens it as it was. An empty text is taken out. */
export function useAddress(): readonly [
  (name: string) => string,
  (changes: Readonly<Record<string, string>>) => void,
] {
  const [query, setQuery] = useSearchParams();
  const text = (name: string) => query.get(name) ?? '';
  const set = useCallback(
    (changes: Readonly<Record<string, string>>) =>
      setQuery(
        (before) => {
          const after = new URLSearchParams(before);
          for (const [name, value] of Object.entries(changes))
            if (value === '') after.delete(name);
            else after.set(name, value);
          return after;
        },
        { replace: true },
      ),
    [setQuery],
  );
  return [text, set];
}
