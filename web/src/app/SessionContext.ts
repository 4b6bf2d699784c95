import type { Person } from '@zephyrcombe/contract';
import { createWriter } from '@zephyrcombe/contract';
import { METRIC } from '@zephyrcombe/core';
import { createContext, useContext, useMemo } from 'react';

/** Who is signed in. Everything behind the sign-in page has somebody. */
export const PersonContext = createContext<Person | null>(null);

export function usePerson(): Person {
  const person = useContext(PersonContext);
  if (person === null) throw new Error('usePerson outside the signed-in pages');
  return person;
}

/** Writes quantities in this person's units. */
export function useWriter() {
  const units = useContext(PersonContext)?.units ?? METRIC;
  return useMemo(() => createWriter(units), [units]);
}
