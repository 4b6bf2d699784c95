import { useLayoutEffect } from 'react';
import { singleKeysAct } from './singleKeys.ts';

/** Marks a stop that waits for its answer; single keys are off as long as one is open. */
export const OPEN_STOP = { 'data-open-stop': '' } as const;

/** What is on screen that a key must not run away from. */
const HOLDS_KEYS = '[role="dialog"], [role="alertdialog"], [data-open-stop]';
const TAKES_TEXT =
  'input, textarea, [contenteditable="true"], [role="listbox"], [aria-haspopup="listbox"], [role="spinbutton"]';

/** Single keys that act anywhere but in a field, and not while a panel or a stop is open. */
export function useShortcuts(keys: Readonly<Record<string, () => void>>): void {
  // Before the page is painted: whoever sees it can press its keys.
  useLayoutEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      if (event.target instanceof HTMLElement && event.target.closest(TAKES_TEXT)) return;
      if (!singleKeysAct() || document.querySelector(HOLDS_KEYS)) return;
      const act = keys[event.key] ?? keys[event.key.toLowerCase()];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [keys]);
}
