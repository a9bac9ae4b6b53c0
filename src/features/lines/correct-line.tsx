'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { changeLineAction } from './actions';
import type { ListedLine } from './server';
import '@/core/words/en/answers';

/** Name and address of a device that is on the list. */
export function CorrectLine({ line }: { line: ListedLine }) {
  const router = useRouter();
  const [given, setGiven] = useState({ name: line.name, host: line.host, port: String(line.port) });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [message, setMessage] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => changeLineAction({ id: line.id, kind: line.kind, ...given }));
    setProblems(result.ok ? {} : result.fields);
    setMessage(result.ok ? say({ code: 'line.saved' }) : messageBeside(result));
    if (result.ok) router.refresh();
  };
  return (
    <details data-testid={`correct-${line.name}`}>
      <summary>{say({ code: 'line.correct' })}</summary>
      <form className="d-flex flex-wrap gap-2 align-items-start mt-2 text-start" onSubmit={send} noValidate>
        {(['name', 'host', 'port'] as const).map((field) => (
          <Field key={field} label={say({ code: `line.${field}` })} problem={problems[field]}>
            <Form.Control
              className={field === 'name' ? '' : 'mono'}
              value={given[field]}
              onChange={(event) => setGiven({ ...given, [field]: event.target.value })}
            />
          </Field>
        ))}
        <Button type="submit" size="sm">
          {say({ code: 'line.save' })}
        </Button>
        <span role="status">{message}</span>
      </form>
    </details>
  );
}
