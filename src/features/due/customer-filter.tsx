'use client';
import { useCallback, useState } from 'react';
import { useRouter } from 'next/navigation';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { useSearch } from '@/platform/client/use-search';
import { customersWithDueAction } from './actions';
import '@/core/words/en/due';

/** One customer's list: chosen by typing, since a workshop may have thousands. */
export function CustomerFilter({ chosen, window }: { chosen: string | null; window: string }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const { hits, searched } = useSearch(
    text,
    useCallback((typed: string) => customersWithDueAction({ text: typed }), []),
  );
  const go = (customer?: string) => router.push(`/due?${new URLSearchParams({ window, ...(customer ? { customer } : {}) })}`);
  if (chosen)
    return (
      <div className="d-flex gap-2 align-items-center">
        <strong>{chosen}</strong>
        <Button variant="plain" size="sm" onClick={() => go()}>
          {say({ code: 'due.allCustomers' })}
        </Button>
      </div>
    );
  return (
    <div className="position-relative" style={{ width: '18rem' }}>
      <Form.Control
        aria-label={say({ code: 'due.customer' })}
        placeholder={say({ code: 'due.oneCustomer' })}
        value={text}
        autoComplete="off"
        onChange={(event) => setText(event.target.value)}
      />
      {searched && (
        <div className="found" role="group" aria-label={say({ code: 'due.customer' })}>
          {hits.length === 0 && <p className="quiet mb-0 px-2">{say({ code: 'due.nobody' })}</p>}
          {hits.map((hit) => (
            <button key={hit.id} type="button" onClick={() => go(hit.id)}>
              {hit.name}
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
