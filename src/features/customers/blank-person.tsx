'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { blankPersonAction } from './actions';
import '@/core/words/en/customers';

interface Props {
  customerId: string;
  /** Left out: the contact that stands with the customer itself. */
  contactId?: string;
  label?: string;
}

/** Blanks a person for good: folded, and with its reason, because there is no way back. */
export function BlankPerson({ customerId, contactId, label = say({ code: 'blanking.open' }) }: Props) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => blankPersonAction({ customerId, ...(contactId ? { contactId } : {}), why }));
    setProblem(result.ok ? '' : (result.fields.why ?? messageBeside(result)));
    if (result.ok) router.refresh();
  };
  return (
    <details data-testid="blank-person" className="small mt-1">
      <summary>{label}</summary>
      <form onSubmit={send} noValidate className="mt-1">
        <p className="quiet mb-1">{say({ code: 'blanking.how' })}</p>
        <Field label={say({ code: 'blanking.why' })} problem={problem}>
          <Form.Control
            autoComplete="off"
            placeholder={say({ code: 'blanking.whyExample' })}
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
        </Field>
        <Button type="submit" size="sm" variant="outline-danger">
          {say({ code: 'blanking.act' })}
        </Button>
      </form>
    </details>
  );
}
