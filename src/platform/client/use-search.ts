'use client';
import { useEffect, useState } from 'react';
import { attempt, type ClientResult } from './result';

/** Search as you type: waits for a breath between keys, and never lets an older answer overtake a newer one. */
export function useSearch<T>(
  text: string,
  search: (text: string) => Promise<ClientResult<T[]>>,
): { hits: T[]; searched: string; problem: string } {
  const [state, setState] = useState<{ hits: T[]; searched: string; problem: string }>({ hits: [], searched: '', problem: '' });
  useEffect(() => {
    if (!text.trim()) return undefined;
    let current = true;
    const timer = setTimeout(async () => {
      const result = await attempt(() => search(text));
      if (current)
        setState(
          result.ok ? { hits: result.value, searched: text, problem: '' } : { hits: [], searched: '', problem: result.message },
        );
    }, 180);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [text, search]);
  return text.trim() ? state : { hits: [], searched: '', problem: '' };
}
