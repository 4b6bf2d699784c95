import { useEffect } from 'react';

/** The screen stays on while something has to be read with both hands full. Where the browser cannot, nothing happens. */
export function useAwake(isWanted: boolean): void {
  useEffect(() => {
    if (!isWanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let isOver = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      // Refused on a low battery: then it goes dark as always.
      navigator.wakeLock.request('screen').then(
        (given) => {
          if (isOver) void given.release();
          else lock = given;
        },
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [isWanted]);
}
