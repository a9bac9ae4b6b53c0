'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { messageBeside } from '@/platform/client/result';
import { post } from '@/platform/client/post';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import '@/core/words/en/window';

/** Asks for a link by mail. */
export function AskForLink({ workshop }: { workshop: string }) {
  const [email, setEmail] = useState('');
  const [problem, setProblem] = useState('');
  const [asked, setAsked] = useState(false);
  const ask = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await post('/api/window/link', { email });
    setProblem(result.ok ? '' : (result.fields.email ?? result.message));
    setAsked(result.ok);
  };
  return (
    <div className="sheet">
      <h1>{say({ code: 'window.signIn', numbers: { workshop } })}</h1>
      {asked ? (
        <p className="notice mb-0" role="status">
          {say({ code: 'window.asked' })}
        </p>
      ) : (
        <form onSubmit={ask} noValidate>
          <p className="quiet">{say({ code: 'window.signInHow' })}</p>
          <Field label={say({ code: 'window.email' })} problem={problem}>
            <Form.Control type="email" autoComplete="email" value={email} onChange={(event) => setEmail(event.target.value)} />
          </Field>
          <Button type="submit">{say({ code: 'window.ask' })}</Button>
        </form>
      )}
    </div>
  );
}

/** Goes in by a link. Programs that look at every link of a mail press nothing, and so use none up. */
export function EnterByLink({ link, workshop }: { link: string; workshop: string }) {
  const [problem, setProblem] = useState('');
  const router = useRouter();
  const enter = async () => {
    const result = await post('/api/window/enter', { link });
    if (result.ok) {
      router.push('/window');
      return router.refresh();
    }
    setProblem(messageBeside(result));
  };
  return (
    <div className="sheet">
      <h1>{say({ code: 'window.signIn', numbers: { workshop } })}</h1>
      {problem ? (
        <p className="notice bad" role="alert">
          {problem} <Link href="/window">{say({ code: 'window.askAgain' })}</Link>
        </p>
      ) : (
        <>
          <p>{say({ code: 'window.enterHow' })}</p>
          <Button size="lg" onClick={enter}>
            {say({ code: 'window.enter' })}
          </Button>
        </>
      )}
    </div>
  );
}

/** Leaves, for good: the secret is worth nothing any more. */
export function LeaveWindow() {
  const router = useRouter();
  const leave = async () => {
    await post('/api/window/leave', {});
    router.push('/window');
    router.refresh();
  };
  return (
    <Button variant="plain" size="sm" onClick={leave}>
      {say({ code: 'window.leave' })}
    </Button>
  );
}
