'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { makeOfferAction } from './actions';
import { EMPTY_POSITION, PositionRow } from './position-row';
import type { Price } from './server/prices';
import '@/core/words/en/money';

/** The finding, and what mending it would cost. */
export function OfferForm({ ticketId, prices, currency }: { ticketId: string; prices: readonly Price[]; currency: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [finding, setFinding] = useState('');
  const [positions, setPositions] = useState([EMPTY_POSITION]);
  const [problems, setProblems] = useState<Record<string, string>>({});
  if (!open)
    return (
      <Button variant="plain" onClick={() => setOpen(true)}>
        {say({ code: 'offer.make' })}
      </Button>
    );
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() => makeOfferAction({ ticketId, finding, positions }));
    setProblems(result.ok ? {} : { '': Object.keys(result.fields).length ? '' : result.message, ...result.fields });
    if (!result.ok) return;
    setOpen(false);
    router.refresh();
  };
  const problemOf = (index: number) => Object.entries(problems).find(([path]) => path.startsWith(`positions[${index}]`))?.[1];
  return (
    <form className="mt-3 w-100" onSubmit={send} noValidate data-testid="offer-form">
      <Field label={say({ code: 'offer.finding' })} problem={problems.finding}>
        <FormControl
          as="textarea"
          rows={2}
          placeholder={say({ code: 'offer.findingExample' })}
          value={finding}
          onChange={(event) => setFinding(event.target.value)}
        />
      </Field>
      {positions.map((position, index) => (
        <PositionRow
          key={index}
          position={position}
          prices={prices}
          currency={currency}
          number={index + 1}
          problem={problemOf(index)}
          onChange={(next) => setPositions(positions.map((one, at) => (at === index ? next : one)))}
        />
      ))}
      {(problems.positions || problems['']) && (
        <p className="field-problem" role="alert">
          {problems.positions ?? problems['']}
        </p>
      )}
      <div className="d-flex flex-wrap gap-2">
        <Button variant="plain" onClick={() => setPositions([...positions, EMPTY_POSITION])}>
          {say({ code: 'offer.another' })}
        </Button>
        {positions.length > 1 && (
          <Button variant="plain" onClick={() => setPositions(positions.slice(0, -1))}>
            {say({ code: 'offer.less' })}
          </Button>
        )}
        <Button type="submit">{say({ code: 'offer.send' })}</Button>
      </div>
    </form>
  );
}
