'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { asLetterAction, notePrintedAction } from './actions';
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

/** A mail that nobody takes goes by post. */
export function AsLetterButton({ mailId }: { mailId: string }) {
  const router = useRouter();
  const [says, setSays] = useState('');
  const make = async () => {
    const result = await attempt(() => asLetterAction({ mailId }));
    if (result.ok) router.refresh();
    else setSays(result.message);
  };
  return (
    <>
      <Button size="sm" variant="plain" onClick={make}>
        {say({ code: 'letters.asLetter' })}
      </Button>
      {says && <span className="field-problem">{says}</span>}
    </>
  );
}
