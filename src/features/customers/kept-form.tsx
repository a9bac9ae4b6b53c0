'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import '@/core/words/en/customers';

/** What a form of a customer's page does with an answer: good, the page is drawn anew and the form closes; else it says beside which field. */
export function useKept(onDone: () => void) {
  const router = useRouter();
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (call: () => ReturnType<typeof attempt>) => {
    const result = await attempt(call);
    if (result.ok) {
      router.refresh();
      return onDone();
    }
    setProblems(result.fields);
    setMessage(messageBeside(result));
  };
  return { problems, message, send };
}

interface Props {
  message: string;
  onLeave: () => void;
  /** How one that is there ends. */
  end?: { label: string; act: () => void } | undefined;
}

/** The foot of such a form: what was wrong with all of it, save, end, leave. */
export function KeptFoot({ message, onLeave, end }: Props) {
  return (
    <>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2">
        <Button type="submit" size="sm">
          {say({ code: 'customer.save' })}
        </Button>
        {end && (
          <Button variant="outline-danger" size="sm" onClick={end.act}>
            {end.label}
          </Button>
        )}
        <Button variant="plain" size="sm" onClick={onLeave}>
          {say({ code: 'customer.leave' })}
        </Button>
      </div>
    </>
  );
}
