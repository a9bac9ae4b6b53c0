'use client';
import { useEffect } from 'react';
import { useGentleRefresh } from '@/ui/use-gentle-refresh';
import { listenToHouse } from './house-stream';

/** Looks again when a device came or went: what it is and shows of itself may be new. */
export function useLineChanges(line: string | null): void {
  const look = useGentleRefresh();
  useEffect(() => {
    return listenToHouse({
      onLine: (change) => {
        // Without a line any device that comes may be this instrument: it says who it is when it is there.
        if (line === null || change?.line === line) look();
      },
    });
  }, [line, look]);
}
