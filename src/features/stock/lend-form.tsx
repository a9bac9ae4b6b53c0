'use client';
import { useCallback, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { useSearch } from '@/platform/client/use-search';
import { DayInput } from '@/ui/day-input';
import { Field } from '@/ui/field';
import { findBorrowerAction, lendAction } from './actions';
import '@/core/words/en/stock';

interface Props {
  instruments: readonly { id: string; name: string }[];
  /** Where it goes to a customer whose own instrument is here. */
  to?: { customerId: string; name: string; ticketId: string } | undefined;
  until: string;
}

/** Lends an instrument: which one, to whom, until when. What says no stands beside its field. */
export function LendForm({ instruments, to, until }: Props) {
  const router = useRouter();
  const [given, setGiven] = useState({
    assetId: instruments.length === 1 ? instruments[0]!.id : '',
    dueBack: until,
    contact: '',
    note: '',
  });
  const [customer, setCustomer] = useState(to ? { id: to.customerId, name: to.name } : null);
  const [text, setText] = useState('');
  const [problems, setProblems] = useState<Record<string, string>>({});
  const { hits } = useSearch(
    customer ? '' : text,
    useCallback((typed: string) => findBorrowerAction({ text: typed }), []),
  );
  const send = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await attempt(() =>
      lendAction({
        ...given,
        assetId: given.assetId || undefined,
        customerId: customer?.id,
        ticketId: to?.ticketId ?? null,
      } as never),
    );
    setProblems(result.ok ? {} : { assetId: Object.keys(result.fields).length ? '' : result.message, ...result.fields });
    if (result.ok) router.push(`/stock/loans/${result.value.id}`);
  };
  return (
    <form className="sheet mb-3" onSubmit={send} noValidate data-testid="lend">
      <h2>{say({ code: 'loan.lend' })}</h2>
      <div className="d-flex flex-wrap gap-3 align-items-start">
        <Field label={say({ code: 'loan.instrument' })} problem={problems.assetId}>
          <FormSelect value={given.assetId} onChange={(event) => setGiven({ ...given, assetId: event.target.value })}>
            <option value="" />
            {instruments.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </FormSelect>
        </Field>
        <div style={{ width: '16rem' }}>
          <Field label={say({ code: 'loan.customer' })} problem={problems.customerId}>
            <FormControl
              value={customer?.name ?? text}
              readOnly={Boolean(to)}
              autoComplete="off"
              onChange={(event) => {
                setCustomer(null);
                setText(event.target.value);
              }}
            />
          </Field>
          {hits.map((hit) => (
            <button
              type="button"
              key={hit.id}
              className="btn btn-plain text-start fw-normal w-100 mb-1"
              onClick={() => {
                setCustomer(hit);
                setText('');
              }}
            >
              {hit.name}
            </button>
          ))}
        </div>
        <Field label={say({ code: 'loan.until' })} problem={problems.dueBack}>
          <DayInput value={given.dueBack} onChange={(value) => setGiven({ ...given, dueBack: value })} />
        </Field>
        {(['contact', 'note'] as const).map((name) => (
          <Field key={name} label={say({ code: `loan.${name}` })} problem={problems[name]}>
            <FormControl value={given[name]} onChange={(event) => setGiven({ ...given, [name]: event.target.value })} />
          </Field>
        ))}
        <Button type="submit" className="mt-4">
          {say({ code: 'loan.lendIt' })}
        </Button>
      </div>
    </form>
  );
}
