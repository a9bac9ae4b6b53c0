'use client';
import { useCallback, useEffect, useState } from 'react';

/** State that survives a reload of this tab: nothing typed is ever lost. */
export function useKept<T>(name: string, initial: T): [T, (value: T) => void, () => void] {
  const [value, setValue] = useState<T>(initial);
  useEffect(() => {
    // Read after the first draw: the server could not know it.
    const timer = setTimeout(() => {
      const kept = sessionStorage.getItem(`kept/${name}`);
      if (kept) setValue(JSON.parse(kept) as T);
    }, 0);
    return () => clearTimeout(timer);
  }, [name]);
  const keep = useCallback(
    (next: T) => {
      setValue(next);
      sessionStorage.setItem(`kept/${name}`, JSON.stringify(next));
    },
    [name],
  );
  const clear = useCallback(() => {
    sessionStorage.removeItem(`kept/${name}`);
    setValue(initial);
  }, [name, initial]);
  return [value, keep, clear];
}
