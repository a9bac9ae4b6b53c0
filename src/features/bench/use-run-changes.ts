'use client';
import { useEffect, useRef } from 'react';
import { listenToHouse, type RunChange } from './live/house-stream';

/** Calls back when a run changed anywhere in the house; null when the stream begins or came back, since something may have passed by. */
export function useRunChanges(onChange: (change: RunChange | null) => void): void {
  const current = useRef(onChange);
  useEffect(() => {
    current.current = onChange;
  });
  useEffect(() => listenToHouse({ onRun: (change) => current.current(change) }), []);
}
