'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { answerOfferAction } from './actions';
import { HOWS } from './money-schema';
import '@/core/words/en/money';

/** What the customer said to an offer: who, and how. */
export function AnswerForm({ offerId }: { offerId: string }) {
  const router = useRouter();
  const [by, setBy] = useState('');
  const [how, setHow] = useState<(typeof HOWS)[number]>('telephone');
  const [problems, setProblems] = useState<Record<string, string>>({});
  const send = async (answer: 'accepted' | 'declined' | 'withdrawn') => {
    const result = await attempt(() => answerOfferAction({ offerId, answer, by, how }));
    setProblems(result.ok ? {} : { by: result.message, ...result.fields });
    if (result.ok) router.refresh();
  };
  return (
    <div className="d-flex flex-wrap gap-2 align-items-end" data-testid="offer-answer">
      <Field label={say({ code: 'offer.by' })} problem={problems.by}>
        <FormControl style={{ width: '14rem' }} value={by} onChange={(event) => setBy(event.target.value)} />
      </Field>
      <Field label={say({ code: 'offer.how' })}>
        <FormSelect value={how} onChange={(event) => setHow(event.target.value as (typeof HOWS)[number])}>
          {HOWS.map((one) => (
            <option key={one} value={one}>
              {say({ code: `offer.how.${one}` })}
            </option>
          ))}
        </FormSelect>
      </Field>
      <Button className="mb-2" onClick={() => void send('accepted')}>
        {say({ code: 'offer.accept' })}
      </Button>
      <Button className="mb-2" variant="plain" onClick={() => void send('declined')}>
        {say({ code: 'offer.decline' })}
      </Button>
      <Button className="mb-2" variant="plain" onClick={() => void send('withdrawn')}>
        {say({ code: 'offer.withdraw' })}
      </Button>
    </div>
  );
}
