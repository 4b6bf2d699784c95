import { createContext, useContext, useEffect } from 'react';

export const CrumbContext = createContext<(crumb: string | null) => void>(() => undefined);

/** Names the page in the head line and in the browser's tab. */
export function useCrumb(crumb: string | null): void {
  const set = useContext(CrumbContext);
  useEffect(() => {
    set(crumb);
    document.title = crumb === null ? 'Zephyrcombe' : `${crumb} · Zephyrcombe`;
    return () => set(null);
  }, [crumb, set]);
}
