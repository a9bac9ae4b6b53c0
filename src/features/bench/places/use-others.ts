import { useState } from 'react';
import { useRunChanges } from '../use-run-changes';
import type { BoardTicket } from '../server';
import type { NextAction } from './next-action';

/**
 * The places as they are now: what the notice of a changed run carries is laid over what the page came with, so that a busy house costs nobody a page. Only where somebody came or went, or something may have passed by,
 * it is `look`ed at anew.
 */
export function useOthers<Ticket extends Pick<BoardTicket, 'runId' | 'status' | 'next'>>(
  tickets: Ticket[],
  look: () => void,
): Ticket[] {
  const [heard, setHeard] = useState<Record<string, NextAction | null>>({});
  useRunChanges((change) => {
    if (!change) {
      setHeard({});
      return look();
    }
    const known = tickets.some((one) => one.runId === change.run && one.status === 'onBench');
    if (known && change.status === 'open') setHeard((before) => ({ ...before, [change.run]: change.next }));
    else look();
  });
  return tickets.map((one) => (one.runId && one.runId in heard ? { ...one, next: heard[one.runId]! } : one));
}
