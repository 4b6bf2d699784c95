import { useEffect } from 'react';

/** Single keys that act anywhere but in a field or over an open leaf. */
export function useShortcuts(keys: Readonly<Record<string, () => void>>): void {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      const target = event.target instanceof HTMLElement ? event.target : null;
      if (target?.closest('input, textarea, select, [role="dialog"]')) return;
      const act = keys[event.key] ?? keys[event.key.toLowerCase()];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [keys]);
}
