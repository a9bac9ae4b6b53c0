'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { addPasskeyAction, askForPasskeyAction, dropPasskeyAction } from './actions';
import '@/core/words/en/account';

interface Line {
  id: string;
  name: string;
  said: string;
}

/** Passkeys: added where the house's address allows them, removed one by one. */
export function PasskeyPanel({ keys, possible }: { keys: Line[]; possible: boolean }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [problem, setProblem] = useState('');
  const add = async (event: React.FormEvent) => {
    event.preventDefault();
    const asked = await attempt(() => askForPasskeyAction({}));
    if (!asked.ok) return setProblem(asked.message);
    const response = await (
      await import('@simplewebauthn/browser')
    )
      .startRegistration({ optionsJSON: asked.value })
      .catch((error: Error) => error);
    if (response instanceof Error) return setProblem(response.message);
    const result = await attempt(() => addPasskeyAction({ name, response }));
    setProblem(result.ok ? '' : (result.fields.name ?? result.message));
    if (!result.ok) return;
    setName('');
    router.refresh();
  };
  const drop = async (id: string) => {
    const result = await attempt(() => dropPasskeyAction({ id }));
    setProblem(result.ok ? '' : result.message);
    router.refresh();
  };
  return (
    <section className="sheet mt-3" aria-label={say({ code: 'passkey.title' })}>
      <h2>{say({ code: 'passkey.title' })}</h2>
      <p className="quiet small">{say({ code: possible ? 'passkey.why' : 'passkey.nowhere' })}</p>
      {keys.length === 0 && possible && <p>{say({ code: 'passkey.none' })}</p>}
      <ul className="list-unstyled">
        {keys.map((one) => (
          <li key={one.id} className="d-flex gap-3 align-items-baseline">
            <strong>{one.name}</strong>
            <span className="quiet small flex-grow-1">{one.said}</span>
            <Button variant="plain" size="sm" onClick={() => void drop(one.id)}>
              {say({ code: 'passkey.drop' })}
            </Button>
          </li>
        ))}
      </ul>
      {possible && (
        <form onSubmit={(event) => void add(event)} noValidate>
          <Field label={say({ code: 'passkey.name' })} problem={problem || undefined}>
            <Form.Control value={name} onChange={(event) => setName(event.target.value)} style={{ maxWidth: '20rem' }} />
          </Field>
          <Button type="submit" variant="plain">
            {say({ code: 'passkey.add' })}
          </Button>
        </form>
      )}
    </section>
  );
}
