'use client';
import { useState } from 'react';
import { messageBeside, type Attempted } from '@/platform/client/result';

/** What came of a press, in words; what was wrong stands beside its field too. */
export function useTell(setError: (field: 'host', error: { message: string }) => void) {
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const tell = (result: Attempted, good: string) => {
    if (result.ok) return setSaid({ text: good, bad: false });
    Object.entries(result.fields).forEach(([field, text]) => setError(field as 'host', { message: text }));
    setSaid({ text: messageBeside(result), bad: true });
  };
  const refuse = (text: string) => setSaid({ text, bad: true });
  return { said, tell, refuse };
}
