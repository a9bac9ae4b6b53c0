'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { closeNonconformityAction, reopenNonconformityAction } from './actions';
import '@/core/words/en/register';

/** A signatory's word that all was done. What is missing is said. */
export function CloseEntry({ id }: { id: string }) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const close = async () => {
    const result = await attempt(() => closeNonconformityAction({ id }));
    setMessage(result.ok ? '' : messageBeside(result));
    router.refresh();
  };
  return (
    <>
      <Button onClick={close}>{say({ code: 'register.close' })}</Button>
      {message && (
        <span className="field-problem ms-2" role="alert">
          {message}
        </span>
      )}
    </>
  );
}

export function ReopenEntry({ id }: { id: string }) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [message, setMessage] = useState('');
  const open = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => reopenNonconformityAction({ id, why }));
    setMessage(result.ok ? '' : (result.fields.why ?? messageBeside(result)));
    router.refresh();
  };
  return (
    <form onSubmit={open} noValidate className="d-flex flex-wrap gap-2">
      <Form.Control
        style={{ maxWidth: '24rem' }}
        autoComplete="off"
        aria-label={say({ code: 'register.why' })}
        placeholder={say({ code: 'register.why' })}
        value={why}
        onChange={(event) => setWhy(event.target.value)}
      />
      <Button type="submit" variant="plain">
        {say({ code: 'register.reopen' })}
      </Button>
      {message && (
        <span className="field-problem" role="alert">
          {message}
        </span>
      )}
    </form>
  );
}
