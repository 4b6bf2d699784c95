import { useEffect } from 'react';
import { focusHeading, headingIn } from './focusHeading.ts';

/** A panel that closes gives the focus back by itself within this time. */
const GRACE_ms = 120;

const isLost = () => document.activeElement === null || document.activeElement === document.body;
const isUsable = (element: HTMLElement) => element.isConnected && !element.matches(':disabled');

/**
 * When the thing that had the focus goes away or is switched off, as a button does on saving, the focus goes
 * to the heading of what is left around it; it goes back when a switched-off button comes on again.
 */
export function useKeptFocus(): void {
  useEffect(() => {
    let trail: readonly HTMLElement[] = [];
    let waitsFor: HTMLElement | null = null;
    let standsOn: HTMLElement | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;

    const remember = (event: FocusEvent) => {
      if (event.target === standsOn) return;
      waitsFor = null;
      trail = event.target instanceof HTMLElement ? ancestorsOf(event.target) : [];
    };
    const look = () => {
      timer = undefined;
      if (waitsFor !== null && isUsable(waitsFor) && document.activeElement === standsOn) {
        waitsFor.focus({ preventScroll: true });
        return;
      }
      const [held] = trail;
      if (held === undefined || !isLost() || isUsable(held)) return;
      waitsFor = held.isConnected ? held : null;
      const left = trail.find((ancestor) => ancestor.isConnected && headingIn(ancestor) !== null);
      standsOn = left ? headingIn(left) : null;
      if (standsOn !== null) focusHeading(standsOn);
    };
    const watch = new MutationObserver(() => {
      timer ??= setTimeout(look, GRACE_ms);
    });
    document.addEventListener('focusin', remember);
    watch.observe(document.body, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['disabled'],
    });
    return () => {
      clearTimeout(timer);
      watch.disconnect();
      document.removeEventListener('focusin', remember);
    };
  }, []);
}

function ancestorsOf(element: HTMLElement): readonly HTMLElement[] {
  const found: HTMLElement[] = [];
  for (let at: HTMLElement | null = element; at && at !== document.body; at = at.parentElement)
    found.push(at);
  return found;
}
