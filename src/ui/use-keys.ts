'use client';
import { useEffect, useRef } from 'react';

/** Single keys for the bench. Silent while somebody types, so that no letter of a serial does anything. */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>): void {
  const current = useRef(keys);
  useEffect(() => {
    current.current = keys;
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.ctrlKey || event.metaKey || event.altKey || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
      const act = current.current[event.key] ?? current.current[event.key.toLowerCase()];
      if (act) {
        event.preventDefault();
        act(event);
      }
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);
}
