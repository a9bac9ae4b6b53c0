'use client';
import { useCallback, useEffect, useState } from 'react';

/** This screen's own name, kept for its lifetime. */
export const SCREEN = typeof crypto === 'undefined' ? 'server' : `screen-${crypto.randomUUID?.() ?? Math.random()}`;
const AGAIN_MS = 8000;

/** One screen captures a run's live readings; the others watch and may take over. */
export function useHand(run: string, wanted: boolean): { mine: boolean; who: string; take: () => void } {
  const [hand, setHand] = useState({ mine: true, who: '' });
  const ask = useCallback(
    async (take: boolean) => {
      try {
        const response = await fetch('/api/hand', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ run, screen: SCREEN, take }),
        });
        if (response.ok) setHand((await response.json()) as { mine: boolean; who: string });
      } catch {
        // The house is away: it is asked again.
      }
    },
    [run],
  );
  useEffect(() => {
    if (!wanted) return;
    const first = setTimeout(() => void ask(false), 0);
    const timer = setInterval(() => void ask(false), AGAIN_MS);
    return () => {
      clearTimeout(first);
      clearInterval(timer);
    };
  }, [ask, wanted]);
  return { ...hand, take: () => void ask(true) };
}
