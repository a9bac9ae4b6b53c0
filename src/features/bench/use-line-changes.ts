'use client';
import { useEffect } from 'react';
import { useGentleRefresh } from '@/ui/use-gentle-refresh';
import { listenToHouse } from './house-stream';

/** Looks again when a device came or went: what it is and shows of itself may be new. */
export function useLineChanges(line: string | null): void {
  const look = useGentleRefresh();
  useEffect(() => {
    if (!line) return;
    return listenToHouse({
      onLine: (change) => {
        if (change.line === line) look();
      },
    });
  }, [line, look]);
}
