'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import type { attempt } from '@/platform/client/result';
import { useSent } from '@/platform/client/use-sent';
import '@/core/words/en/control';

interface Props {
  /** What the fold is called, and the press that it ends with. */
  title: string;
  label: string;
  send: (why: string, anew: boolean) => ReturnType<typeof attempt>;
  /** With the question whether limits are drawn anew. */
  anew?: boolean;
}

/** An act that takes a reason, folded away until it is wanted. */
export function WithWhy({ title, label, send: act, anew = false }: Props) {
  const [why, setWhy] = useState('');
  const [yes, setYes] = useState(false);
  const { send, problems, message } = useSent();
  const problem = problems.why ?? problems.explained ?? message;
  return (
    <details>
      <summary className="small">{title}</summary>
      <form
        noValidate
        className="d-flex flex-wrap gap-2 align-items-center mt-1"
        onSubmit={(event) => {
          event.preventDefault();
          void send(() => act(why, yes));
        }}
      >
        <Form.Control
          size="sm"
          style={{ minWidth: '16rem', maxWidth: '28rem' }}
          aria-label={label}
          placeholder={label}
          autoComplete="off"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button type="submit" size="sm" variant="plain">
          {title}
        </Button>
        {anew && (
          <Form.Check
            id={`anew-${title}`}
            label={say({ code: 'control.anew' })}
            checked={yes}
            onChange={(event) => setYes(event.target.checked)}
          />
        )}
        {problem && (
          <span className="field-problem w-100" role="alert">
            {problem}
          </span>
        )}
      </form>
    </details>
  );
}
