'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { confirmRememberedAction } from './actions';
import '@/core/words/en/budgets-room';

/** One paper often covers all that is only remembered: its name and date for the lot. */
export function ConfirmForm({ today }: { today: string }) {
  const router = useRouter();
  const [source, setSource] = useState({ sourceText: '', sourceOn: today });
  const [fields, setFields] = useState<Record<string, string>>({});
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => confirmRememberedAction(source));
    setFields(result.ok ? {} : result.fields);
    if (result.ok) router.refresh();
  };
  return (
    <form className="d-flex gap-2 align-items-end flex-wrap" onSubmit={send}>
      <Field label={say({ code: 'budgets.sourceOfAll' })} problem={fields.sourceText}>
        <Form.Control
          style={{ width: '26rem' }}
          value={source.sourceText}
          onChange={(event) => setSource({ ...source, sourceText: event.target.value })}
        />
      </Field>
      <Field label={say({ code: 'budgets.sourceOn' })} problem={fields.sourceOn}>
        <Form.Control
          className="mono"
          style={{ width: '9rem' }}
          value={source.sourceOn}
          onChange={(event) => setSource({ ...source, sourceOn: event.target.value })}
        />
      </Field>
      <Button type="submit" className="mb-2">
        {say({ code: 'budgets.confirmAll' })}
      </Button>
    </form>
  );
}
