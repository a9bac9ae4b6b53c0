'use client';
import { useEffect, useRef } from 'react';
import { readAssigned, worksInFields } from './assigned-keys';
import { SETTLE_MS } from './burst';
import { wasScanned } from './scan-guard';

/** Single keys for the bench. Silent while somebody types, so that no letter of a serial does anything. */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>): void {
  const current = useRef(keys);
  useEffect(() => {
    current.current = keys;
  });
  useEffect(() => {
    const waiting = new Set<number>();
    const listen = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      const assigned = readAssigned()[event.code];
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) && !(assigned && worksInFields(event.code))) return;
      const key = assigned ?? event.key;
      const find = () => current.current[key] ?? current.current[key.toLowerCase()];
      if (!find()) return;
      event.preventDefault();
      // A scanner types like a keyboard: what comes too fast for a hand means nothing as a key.
      waiting.add(
        window.setTimeout(() => {
          if (!wasScanned(event.timeStamp)) find()?.(event);
        }, SETTLE_MS),
      );
    };
    window.addEventListener('keydown', listen);
    return () => {
      window.removeEventListener('keydown', listen);
      waiting.forEach((one) => window.clearTimeout(one));
    };
  }, []);
}
