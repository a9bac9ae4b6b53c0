'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { NONCONFORMITY_KINDS, type NonconformityKind } from '@/core/record/nonconformity';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { enterNonconformityAction } from './actions';
import '@/core/words/en/register';

/** A complaint, a recall, or what somebody noticed. Folded until somebody has one. */
export function EnterForm() {
  const router = useRouter();
  const [given, setGiven] = useState<{ kind: NonconformityKind; what: string; serial: string }>({
    kind: 'complaint',
    what: '',
    serial: '',
  });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => enterNonconformityAction(given));
    if (result.ok) return router.push(`/register/${result.value.id}`);
    setProblems(result.fields);
    setMessage(messageBeside(result));
  };
  return (
    <details className="mb-3" data-testid="enter-nonconformity">
      <summary>{say({ code: 'register.new' })}</summary>
      <form onSubmit={send} noValidate className="sheet mt-2">
        <div className="row">
          <div className="col-md-4">
            <Field label={say({ code: 'register.kind' })}>
              <Form.Select
                value={given.kind}
                onChange={(event) =>
                  setGiven({ ...given, kind: NONCONFORMITY_KINDS.find((one) => one === event.target.value) ?? given.kind })
                }
              >
                {NONCONFORMITY_KINDS.filter((kind) => kind !== 'foundOutside').map((kind) => (
                  <option key={kind} value={kind}>
                    {say({ code: `register.kind.${kind}` })}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
          <div className="col-md-8">
            <Field label={say({ code: 'register.serial' })} problem={problems.serial}>
              <Form.Control
                className="mono"
                autoComplete="off"
                value={given.serial}
                onChange={(event) => setGiven({ ...given, serial: event.target.value })}
              />
            </Field>
          </div>
        </div>
        <Field label={say({ code: 'register.what' })} problem={problems.what}>
          <Form.Control
            as="textarea"
            rows={2}
            value={given.what}
            onChange={(event) => setGiven({ ...given, what: event.target.value })}
          />
        </Field>
        {message && (
          <p className="field-problem" role="alert">
            {message}
          </p>
        )}
        <Button type="submit">{say({ code: 'register.enter' })}</Button>
      </form>
    </details>
  );
}
