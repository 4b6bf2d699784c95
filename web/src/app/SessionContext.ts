import type { Person } from '@zephyrcombe/contract';
import { dayIn, ownTimeZone } from '@zephyrcombe/contract';
import { createWriter } from '@zephyrcombe/messages';
import { METRIC } from '@zephyrcombe/core';
import { createContext, useContext, useMemo, useSyncExternalStore } from 'react';

/** Who is signed in. Everything behind the sign-in page has somebody. */
export const PersonContext = createContext<Person | null>(null);

/** The zone the shop's calendar follows, wherever this device thinks it is. */
export const TimeZoneContext = createContext(ownTimeZone());

export function usePerson(): Person {
  const person = useContext(PersonContext);
  if (person === null) throw new Error('usePerson outside the signed-in pages');
  return person;
}

/** Writes quantities in this person's units, and instants as the shop's calendar has them. */
export function useWriter() {
  const units = useContext(PersonContext)?.units ?? METRIC;
  const timeZone = useContext(TimeZoneContext);
  return useMemo(() => createWriter(units, timeZone), [units, timeZone]);
}

const MINUTE_ms = 60_000;

function everyMinute(look: () => void): () => void {
  const timer = setInterval(look, MINUTE_ms);
  return () => clearInterval(timer);
}

/** Today's calendar date in the shop, ISO 8601; a page left open over midnight follows. */
export function useToday(): string {
  const timeZone = useContext(TimeZoneContext);
  return useSyncExternalStore(everyMinute, () => dayIn(timeZone, new Date()));
}
