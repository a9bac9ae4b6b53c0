'use client';
import { useEffect, useRef } from 'react';

/**
 * The key of the step's main action. While a command is on its way (taking the step in hand sends one too) the button
 * rests for a moment: a press in that moment waits, and holds only if the same step is still there afterwards.
 */
export function useMainAction(step: string | null, busy: boolean): () => void {
  const waits = useRef<string | null>(null);
  const button = () => document.querySelector<HTMLButtonElement>('[data-main-action]');
  useEffect(() => {
    if (busy || waits.current === null) return;
    const same = waits.current === step;
    waits.current = null;
    if (same) button()?.click();
  }, [busy, step]);
  return () => {
    if (busy && button()?.disabled) waits.current = step;
    else button()?.click();
  };
}
