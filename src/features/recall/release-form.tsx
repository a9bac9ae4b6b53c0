'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { PasswordToSign } from '@/features/certificates';
import { Field } from '@/ui/field';
import { keepRecallTextAction, releaseRecallAction } from './actions';
import '@/core/words/en/recall';

/** What stands before the list in every letter. */
export function SaidForm({ id, said }: { id: string; said: string }) {
  const router = useRouter();
  const [text, setText] = useState(said);
  const [problem, setProblem] = useState('');
  const keep = async () => {
    const result = await attempt(() => keepRecallTextAction({ id, said: text }));
    setProblem(result.ok ? '' : (result.fields.said ?? result.message));
    router.refresh();
  };
  return (
    <>
      <Field label={say({ code: 'recall.said' })} problem={problem}>
        <Form.Control as="textarea" rows={3} value={text} onChange={(event) => setText(event.target.value)} />
      </Field>
      {text !== said && (
        <Button variant="plain" className="mb-2" onClick={keep}>
          {say({ code: 'recall.keepSaid' })}
        </Button>
      )}
    </>
  );
}

/** The signature by which everything that was decided is done. */
export function ReleaseForm({ id }: { id: string }) {
  const router = useRouter();
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const release = async (event: React.FormEvent) => {
    event.preventDefault();
    setBusy(true);
    const result = await attempt(() => releaseRecallAction({ id, password }));
    setPassword('');
    setBusy(false);
    setProblem(result.ok ? '' : (result.fields.password ?? messageBeside(result)));
    router.refresh();
  };
  return (
    <form className="sheet mb-3" onSubmit={release} data-testid="release-recall">
      <p className="mb-2">{say({ code: 'recall.releaseHow' })}</p>
      <div className="d-flex flex-wrap gap-2">
        <PasswordToSign value={password} onChange={setPassword} />
        <Button type="submit" size="lg" disabled={busy}>
          {say({ code: 'recall.release' })}
        </Button>
      </div>
      {problem && (
        <p className="field-problem mb-0" role="alert">
          {problem}
        </p>
      )}
    </form>
  );
}
