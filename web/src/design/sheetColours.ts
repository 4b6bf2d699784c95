/** The colours of the sheet as figures, for what is painted rather than built from elements. */
import { useEffect, useState } from 'react';
import type { ColourRole } from './tokens.ts';

let known = new Map<ColourRole, string>();
/** Told whether it is the printer that wants, or no longer wants, a sheet of its own. */
type Listener = (isForPrint: boolean) => void;
const listeners = new Set<Listener>();
let isWatched = false;

/** Once for the whole page: by hand, by the device, or for the printer. */
function watch(): void {
  if (isWatched) return;
  isWatched = true;
  const tell = (isForPrint: boolean) => {
    known = new Map();
    for (const changed of listeners) changed(isForPrint);
  };
  new MutationObserver(() => tell(false)).observe(document.documentElement, {
    attributes: true,
    attributeFilter: ['data-theme'],
  });
  matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () => tell(false));
  matchMedia('print').addEventListener('change', () => tell(true));
}

/** A role's colour on the sheet of now. Read once: the style of a page is dear to ask for while the page changes. */
export function colourNow(role: ColourRole): string {
  watch();
  let value = known.get(role);
  if (value === undefined) {
    value = getComputedStyle(document.documentElement).getPropertyValue(`--${role}`).trim();
    known.set(role, value);
  }
  return value;
}

/** Tells when the sheet is changed for the other; returns how to stop listening. */
export function onSheetChange(changed: Listener): () => void {
  watch();
  listeners.add(changed);
  return () => {
    listeners.delete(changed);
  };
}

/** Counts the changes of the sheet on the screen: what is begun anew for one would lose how it was turned to a printout. */
export function useSheetChanges(): number {
  const [changes, setChanges] = useState(0);
  useEffect(
    () =>
      onSheetChange((isForPrint) => {
        if (!isForPrint) setChanges((count) => count + 1);
      }),
    [],
  );
  return changes;
}
