'use client';
import { useCallback, useState } from 'react';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { createCustomerAction, findCustomersAction } from './actions';
import { customerSchema } from './receive-schema';
import { useSearch } from './use-search';

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

function NewCustomer({
  name,
  onMade,
  onLeave,
}: {
  name: string;
  onMade: (customer: ChosenCustomer) => void;
  onLeave: () => void;
}) {
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({
    resolver: yupResolver(customerSchema),
    defaultValues: { name, address: '', contact: '', email: '', wantsReminders: true },
  });
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => createCustomerAction(values));
    if (result.ok) return onMade(result.value);
    Object.entries(result.fields).forEach(([field, text]) => setError(field as 'name', { message: text }));
    setMessage(result.message);
  });
  return (
    <Form onSubmit={submit} noValidate>
      <div className="row">
        <div className="col-md-6">
          <Field label="Name" problem={errors.name?.message}>
            <Form.Control autoFocus {...register('name')} />
          </Field>
        </div>
        <div className="col-md-6">
          <Field label="Address" problem={errors.address?.message}>
            <Form.Control {...register('address')} />
          </Field>
        </div>
        <div className="col-md-6">
          <Field label="Contact" problem={errors.contact?.message}>
            <Form.Control {...register('contact')} />
          </Field>
        </div>
        <div className="col-md-6">
          <Field label="Mail for reminders" problem={errors.email?.message}>
            <Form.Control type="email" {...register('email')} />
          </Field>
        </div>
      </div>
      <Form.Check id="wants-reminders" label="Wants reminders by mail" {...register('wantsReminders')} />
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" disabled={isSubmitting}>
          Make customer
        </Button>
        <Button variant="plain" onClick={onLeave}>
          Back to the search
        </Button>
      </div>
    </Form>
  );
}
