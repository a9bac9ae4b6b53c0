'use client';
import { useEffect } from 'react';

/** Milliseconds of rest after the bench is drawn before the next sheet's scripts are fetched. */
const AFTER_MS = 400;

/** Whoever stands at the bench opens a sheet next: its scripts are fetched while nothing else is. Nothing of the sheet itself is, that is drawn anew for who asks. */
export function useSheetAhead(): void {
  useEffect(() => {
    const timer = window.setTimeout(() => {
      // What doesn't come now comes when it is needed.
      void Promise.all([
        import('./run-sheet'),
        import('./steps/all'),
        import('./besides'),
        import('./run-doors'),
        import('./run-log'),
      ]).catch(() => undefined);
    }, AFTER_MS);
    return () => window.clearTimeout(timer);
  }, []);
}
