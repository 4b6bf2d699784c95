import { useEffect } from 'react';
import { NavigationType, useLocation, useNavigationType } from 'react-router';

/** Another page is read from its top; going back leaves the browser to find the place again. */
export function useTopOfPage(): void {
  const { pathname } = useLocation();
  const how = useNavigationType();
  useEffect(() => {
    if (how !== NavigationType.Pop) window.scrollTo(0, 0);
  }, [pathname, how]);
}
