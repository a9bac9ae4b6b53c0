'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { say } from '@/core/words/say';
import { attempt, saidOfWhy } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { dayTime } from '@/ui/format';
import { WhyForm } from '@/ui/why-form';
import { fitSpareAction, putSpareBackAction } from './actions';
import type { sparesOf } from './server/spares';
import '@/core/words/en/stock';

interface Props {
  ticketId: string;
  spares: Awaited<ReturnType<typeof sparesOf>>;
  zone: string;
  /** The instrument is in the house, and whoever looks may work on it. */
  mayFit: boolean;
}

/** What was fitted into the instrument of a ticket, from the shelf. */
export function SparesFitted({ ticketId, spares: { used, left }, zone, mayFit }: Props) {
  const router = useRouter();
  const [given, setGiven] = useState({ itemId: '', quantity: '1' });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() =>
      fitSpareAction({ ticketId, itemId: given.itemId || undefined, quantity: Number(given.quantity) } as never),
    );
    setProblems(result.ok ? {} : { itemId: Object.keys(result.fields).length ? '' : result.message, ...result.fields });
    if (!result.ok) return;
    setGiven({ itemId: '', quantity: '1' });
    router.refresh();
  };
  return (
    <section className="sheet mt-3 no-print" data-testid="spares-fitted">
      <h2>{say({ code: 'spare.used' })}</h2>
      {used.length === 0 && <p className="quiet">{say({ code: 'spare.usedNone' })}</p>}
      <ul className="list-unstyled">
        {used.map(({ use, item }) => (
          <li key={use.id}>
            <span className={use.backAt ? 'struck' : ''}>
              {use.quantity} × {item.name} <span className="mono small">{item.serial || item.partNumber}</span>
            </span>{' '}
            <span className="quiet small">
              {say({ code: 'spare.by', numbers: { by: use.usedBy, at: dayTime(use.usedAt, zone) } })}
              {use.backAt && <> · {say({ code: 'spare.wasBack', numbers: { by: use.backBy ?? '', why: use.backWhy ?? '' } })}</>}
            </span>
            {mayFit && !use.backAt && (
              <WhyForm
                testId="put-back"
                title={say({ code: 'spare.takeBack' })}
                label={say({ code: 'spare.why' })}
                act={async (why) => saidOfWhy(await attempt(() => putSpareBackAction({ useId: use.id, why })))}
              />
            )}
          </li>
        ))}
      </ul>
      {mayFit && left.length > 0 && (
        <form onSubmit={send} noValidate>
          <p className="quiet small mb-1">{say({ code: 'spare.fitHow' })}</p>
          <div className="d-flex flex-wrap gap-3 align-items-start">
            <Field label={say({ code: 'spare.choose' })} problem={problems.itemId}>
              <FormSelect value={given.itemId} onChange={(event) => setGiven({ ...given, itemId: event.target.value })}>
                <option value="" />
                {left.map((one) => (
                  <option key={one.id} value={one.id}>
                    {[one.name, one.serial || one.partNumber, `(${one.quantity})`].filter(Boolean).join(' ')}
                  </option>
                ))}
              </FormSelect>
            </Field>
            <Field label={say({ code: 'spare.quantity' })} problem={problems.quantity}>
              <FormControl
                className="mono"
                style={{ width: '5rem' }}
                value={given.quantity}
                onChange={(event) => setGiven({ ...given, quantity: event.target.value })}
              />
            </Field>
            <Button type="submit" variant="plain" className="mt-4">
              {say({ code: 'spare.fit' })}
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}
