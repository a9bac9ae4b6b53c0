'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { mailOfferAction } from './actions';
import '@/core/words/en/money';

/** Sends an offer to the customer. */
export function MailOfferForm({ offerId, to: usual }: { offerId: string; to: string }) {
  const router = useRouter();
  const [to, setTo] = useState(usual);
  const [problem, setProblem] = useState('');
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => mailOfferAction({ offerId, to }));
    setProblem(result.ok ? '' : (result.fields.to ?? result.message));
    if (result.ok) router.refresh();
  };
  return (
    <form className="d-flex flex-wrap gap-2 align-items-end" onSubmit={send} noValidate data-testid="mail-offer">
      <Field label={say({ code: 'offer.mailTo' })} problem={problem}>
        <FormControl type="email" style={{ width: '18rem' }} value={to} onChange={(event) => setTo(event.target.value)} />
      </Field>
      <Button type="submit" variant="plain" className="mb-2">
        {say({ code: 'offer.mailSend' })}
      </Button>
    </form>
  );
}
