'use client';
import { useState } from 'react';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { useSent } from '@/platform/client/use-sent';
import { FormFoot } from '@/ui/form-foot';
import { correctNonconformityAction } from './actions';
import '@/core/words/en/register';

/** What was wrong, put into better words; what it said before stays in the audit. */
export function CorrectEntry({ id, what }: { id: string; what: string }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState(what);
  const { send, problems, message } = useSent();
  const save = async (event: React.FormEvent) => {
    event.preventDefault();
    if (await send(() => correctNonconformityAction({ id, what: text, seen: what }))) setOpen(false);
  };
  const label = say({ code: 'register.correct' });
  return (
    <details className="mt-2" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="small">{label}</summary>
      <form onSubmit={save} noValidate className="mt-2">
        <Form.Control
          as="textarea"
          rows={3}
          maxLength={2000}
          aria-label={label}
          value={text}
          isInvalid={Boolean(problems.what)}
          onChange={(event) => setText(event.target.value)}
        />
        <Form.Control.Feedback type="invalid">{problems.what}</Form.Control.Feedback>
        <div className="mt-2">
          <FormFoot
            message={problems.what ? '' : message}
            save={say({ code: 'register.saveWords' })}
            leave={say({ code: 'register.leaveWords' })}
            onLeave={() => {
              setText(what);
              setOpen(false);
            }}
          />
        </div>
      </form>
    </details>
  );
}
