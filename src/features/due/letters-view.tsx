'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { useSent } from '@/platform/client/use-sent';
import { asLetterAction, notePrintedAction, printAgainAction } from './actions';
import '@/core/words/en/due';

/** After the printer: these letters wait no more. */
export function PrintedButton({ mailIds }: { mailIds: string[] }) {
  const router = useRouter();
  const [says, setSays] = useState('');
  const note = async () => {
    const result = await attempt(() => notePrintedAction({ mailIds }));
    if (result.ok) router.refresh();
    else setSays(result.message);
  };
  return (
    <>
      {says && <span className="field-problem">{says}</span>}
      <Button variant="plain" onClick={note}>
        {say({ code: 'letters.printed' })}
      </Button>
    </>
  );
}

/** A mail that nobody takes goes by post; a letter that went wrong in the printer waits again. */
export function LetterButton({ mailId, printed }: { mailId: string; printed: boolean }) {
  const { send, message } = useSent();
  return (
    <>
      <Button size="sm" variant="plain" onClick={() => send(() => (printed ? printAgainAction : asLetterAction)({ mailId }))}>
        {say({ code: printed ? 'letters.again' : 'letters.asLetter' })}
      </Button>
      {message && <span className="field-problem">{message}</span>}
    </>
  );
}
