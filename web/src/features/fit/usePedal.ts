import { useEffect } from 'react';

/** Keys that a foot pedal sends, and the space bar where nothing else has it. */
const PEDAL: ReadonlySet<string> = new Set(['PageDown', ' ']);
const HAS_SPACE = 'a, button, input, textarea, select, summary, [role], [contenteditable="true"]';
const HOLDS_KEYS = '[role="dialog"], [role="alertdialog"], [data-open-stop]';

/** A pedal, or a key, confirms what is on the screen: once for each time it is pressed. */
export function usePedal(act: (() => void) | null): void {
  useEffect(() => {
    if (act === null) return;
    const listen = (event: KeyboardEvent) => {
      if (!PEDAL.has(event.key) || event.repeat || event.defaultPrevented) return;
      if (event.ctrlKey || event.metaKey || event.altKey || document.querySelector(HOLDS_KEYS)) return;
      const target = event.target instanceof HTMLElement ? event.target.closest(HAS_SPACE) : null;
      if (target && (event.key === ' ' || target.matches('input, textarea'))) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [act]);
}
