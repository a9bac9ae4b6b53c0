'use client';
import { useCallback, useState } from 'react';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { NewCustomer } from '@/features/customers';
import { Field } from '@/ui/field';
import { findCustomersAction } from './actions';
import { useSearch } from '@/platform/client/use-search';

export interface ChosenCustomer {
  id: string;
  name: string;
  agreesDue?: boolean;
}

/** Finds a customer as the name is typed, or makes one. */
export function CustomerPicker({
  chosen,
  onChoose,
}: {
  chosen: ChosenCustomer | null;
  onChoose: (customer: ChosenCustomer | null) => void;
}) {
  const [text, setText] = useState('');
  const [making, setMaking] = useState(false);
  const { hits, searched, problem } = useSearch(
    text,
    useCallback((typed: string) => findCustomersAction({ text: typed }), []),
  );
  if (chosen)
    return (
      <div className="d-flex gap-3 align-items-center">
        <strong className="fs-5">{chosen.name}</strong>
        <Button variant="plain" size="sm" onClick={() => onChoose(null)}>
          Change
        </Button>
      </div>
    );
  if (making)
    return (
      <NewCustomer
        name={text}
        onMade={(customer) => {
          setMaking(false);
          onChoose(customer);
        }}
        onLeave={() => setMaking(false)}
      />
    );
  return (
    <div>
      <Field label="Customer" problem={problem}>
        <Form.Control
          value={text}
          onChange={(event) => setText(event.target.value)}
          placeholder="Type part of the name"
          autoFocus
          autoComplete="off"
        />
      </Field>
      <div className="d-flex flex-wrap gap-2">
        {hits.map((hit) => (
          <Button key={hit.id} variant="plain" onClick={() => onChoose(hit)}>
            {hit.name}
          </Button>
        ))}
        {searched && (
          <Button variant="plain" onClick={() => setMaking(true)}>
            + New customer “{text.trim()}”
          </Button>
        )}
      </div>
    </div>
  );
}
