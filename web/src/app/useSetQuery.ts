import { useCallback } from 'react';
import { useNavigate } from 'react-router';

/**
 * Changes what is in the address, from what stands there now. The router's own setter starts from what was drawn last: two
 * changes between two drawings, a click and a timer, and the second one takes the first one back. `atOnce` draws the page
 * before anything else is typed: what is typed next may be worked out from what is drawn.
 */
export function useSetQuery({ atOnce = false } = {}): (
  change: (now: URLSearchParams) => URLSearchParams,
) => void {
  const navigate = useNavigate();
  return useCallback(
    (change) => {
      const next = change(new URLSearchParams(window.location.search)).toString();
      void navigate(`?${next}`, { replace: true, preventScrollReset: true, flushSync: atOnce });
    },
    [navigate, atOnce],
  );
}
