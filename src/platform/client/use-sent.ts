'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { attempt, messageBeside } from './result';

/** Sends what a press or a form asks; good, the page is drawn anew, else it says beside which field. Gives whether it was good. */
export function useSent() {
  const router = useRouter();
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (call: () => ReturnType<typeof attempt>): Promise<boolean> => {
    const result = await attempt(call);
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? '' : messageBeside(result));
    if (result.ok) router.refresh();
    return result.ok;
  };
  return { problems, message, send };
}
