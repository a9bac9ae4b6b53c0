'use client';
import { useState } from 'react';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import type { ModelKey } from '../server/model-keys';
import '@/core/words/en/keys';

/** Writing how a step goes on a model: the words, and the code that its menu asks for. */
export function HowForm({
  newest,
  model,
  leave,
  send,
}: {
  newest: ModelKey | undefined;
  model: string;
  leave: () => void;
  send: (text: string, secret: string) => Promise<string | null>;
}) {
  const [text, setText] = useState(newest?.text ?? '');
  const [secret, setSecret] = useState(newest?.secret ?? '');
  const [problem, setProblem] = useState('');
  return (
    <form
      className="how-line d-flex flex-wrap gap-2 align-items-center"
      onSubmit={async (event) => {
        event.preventDefault();
        setProblem((await send(text.trim(), secret.trim())) ?? '');
      }}
      onKeyDown={(event) => event.key === 'Escape' && leave()}
    >
      <FormControl
        autoFocus
        size="sm"
        maxLength={400}
        style={{ flex: '1 1 22rem' }}
        aria-label={say({ code: 'keys.on', numbers: { model } })}
        placeholder={say({ code: 'keys.placeholder' })}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <FormControl
        size="sm"
        className="mono"
        maxLength={80}
        style={{ width: '9rem' }}
        aria-label={say({ code: 'keys.secret' })}
        placeholder={say({ code: 'keys.secret' })}
        value={secret}
        onChange={(event) => setSecret(event.target.value)}
      />
      <Button type="submit" size="sm">
        {say({ code: 'keys.keep' })}
      </Button>
      <Button type="button" variant="plain" size="sm" onClick={leave}>
        {say({ code: 'keys.leave' })}
      </Button>
      {problem && (
        <div className="field-problem w-100" role="alert">
          {problem}
        </div>
      )}
    </form>
  );
}
