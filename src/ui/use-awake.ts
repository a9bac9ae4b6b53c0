'use client';
import { useEffect } from 'react';

/** Keeps the screen awake while this is shown: a bench that goes dark hides its clocks and open gas. Where the browser can't, nothing happens. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const ask = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (given) => {
          if (over) void given.release();
          else lock = given;
        },
        // A battery that is nearly empty, or a browser that says no: the screen may go dark as it always did.
        () => undefined,
      );
    };
    ask();
    // The lock is gone whenever another tab was looked at.
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [wanted]);
}
