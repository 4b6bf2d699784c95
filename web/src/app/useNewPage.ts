import { useEffect, useRef } from 'react';
import { NavigationType, useLocation, useNavigationType } from 'react-router';
import { focusHeading } from './focusHeading.ts';

/**
 * Another page is read from its top, and its heading has the focus as soon as it is there. Going back leaves
 * the browser to find the place again. A page that puts the focus into a field of its own keeps it there.
 */
export function useNewPage(): void {
  const { pathname } = useLocation();
  const how = useNavigationType();
  const shown = useRef(pathname);
  useEffect(() => {
    if (shown.current === pathname) return;
    shown.current = pathname;
    if (how !== NavigationType.Pop) window.scrollTo(0, 0);
    const before = document.activeElement;
    const take = () => {
      if (document.activeElement !== before && document.activeElement !== document.body) return true;
      const heading = document.querySelector<HTMLElement>('main h1, main h2');
      if (heading === null) return false;
      focusHeading(heading);
      return true;
    };
    if (take()) return;
    const watch = new MutationObserver(() => {
      if (take()) watch.disconnect();
    });
    watch.observe(document.body, { childList: true, subtree: true });
    return () => watch.disconnect();
  }, [pathname, how]);
}
