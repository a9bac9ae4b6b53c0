'use client';
import { useEffect, useRef } from 'react';

/** The browser's one event stream: calls back when a run changed anywhere in the house. The browser reconnects by itself; after that it asks anew, since something may have passed by. */
export function useRunChanges(onChange: (change: { run: string; seq: number } | null) => void): void {
  const current = useRef(onChange);
  useEffect(() => {
    current.current = onChange;
  });
  useEffect(() => {
    const stream = new EventSource('/api/stream');
    let opened = false;
    stream.addEventListener('open', () => {
      if (opened) current.current(null);
      opened = true;
    });
    stream.addEventListener('run', (event) =>
      current.current(JSON.parse((event as MessageEvent<string>).data) as { run: string; seq: number }),
    );
    return () => stream.close();
  }, []);
}
