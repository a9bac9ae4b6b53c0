'use client';
import { useCallback, useEffect, useRef } from 'react';
import { useRouter } from 'next/navigation';

/** At most one look in this time, however much happens: a busy house must not keep the page from going elsewhere. */
const EVERY_MS = 1500;

/** Looks at the server again, soon but not at every change: calls within `everyMs` become one at its end. */
export function useGentleRefresh(everyMs = EVERY_MS): () => void {
  const router = useRouter();
  const last = useRef(0);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  useEffect(
    () => () => {
      if (timer.current) clearTimeout(timer.current);
    },
    [],
  );
  return useCallback(() => {
    if (timer.current) return;
    const wait = Math.max(0, last.current + everyMs - Date.now());
    timer.current = setTimeout(() => {
      timer.current = null;
      last.current = Date.now();
      // What a locked screen covers stays as it was left: drawn anew it would be empty.
      if (!document.documentElement.hasAttribute('data-locked')) router.refresh();
    }, wait);
  }, [router, everyMs]);
}
