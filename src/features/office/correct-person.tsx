'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { correctPersonAction } from './actions';
import '@/core/words/en/house';

/** A misspelt name, or another address to sign in with. */
export function CorrectPerson({ person, done }: { person: { id: string; name: string; email: string }; done: () => void }) {
  const router = useRouter();
  const [given, setGiven] = useState({ name: person.name, email: person.email });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => correctPersonAction({ userId: person.id, ...given }));
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? '' : messageBeside(result));
    if (!result.ok) return;
    done();
    router.refresh();
  };
  return (
    <form className="row align-items-start mb-3" onSubmit={send} noValidate data-testid="correct-person">
      <p className="mb-1">
        <strong>{say({ code: 'people.correctOf', numbers: { name: person.name } })}.</strong>{' '}
        <span className="quiet small">{say({ code: 'people.correctHow' })}</span>
      </p>
      <div className="col-md-4">
        <Field label={say({ code: 'people.name' })} problem={problems.name}>
          <Form.Control value={given.name} onChange={(event) => setGiven({ ...given, name: event.target.value })} />
        </Field>
      </div>
      <div className="col-md-4">
        <Field label={say({ code: 'people.address' })} problem={problems.email}>
          <Form.Control
            type="email"
            value={given.email}
            onChange={(event) => setGiven({ ...given, email: event.target.value })}
          />
        </Field>
      </div>
      <div className="col-md-4 d-flex gap-2 pt-4">
        <Button type="submit">{say({ code: 'people.save' })}</Button>
        <Button variant="plain" onClick={done}>
          {say({ code: 'people.leave' })}
        </Button>
        {message && <span className="field-problem">{message}</span>}
      </div>
    </form>
  );
}
