'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { changeOwnPasswordAction } from './actions';
import { ownPasswordSchema } from './schemas';
import '@/core/words/en/account';

/** One's own password, changed by who knows the one before; `first`: it was given by somebody else, spent at the door, and isn't asked again. */
export function PasswordPanel({ first = false }: { first?: boolean }) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    reset,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(ownPasswordSchema), defaultValues: { before: '', password: '' } });
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => changeOwnPasswordAction(values));
    setMessage(result.ok ? say({ code: 'account.changed' }) : '');
    if (result.ok) {
      router.refresh();
      return reset();
    }
    const fields = Object.entries(result.fields);
    fields.forEach(([field, text]) => setError(field as 'before', { message: text }));
    if (!fields.length) setMessage(result.message);
  });
  return (
    <section className="sheet mt-3" aria-label={say({ code: 'account.password' })}>
      <h2>{say({ code: 'account.password' })}</h2>
      <Form onSubmit={submit} noValidate className="row align-items-start">
        {!first && (
          <div className="col-md-4">
            <Field label={say({ code: 'account.before' })} problem={errors.before?.message}>
              <Form.Control type="password" autoComplete="current-password" {...register('before')} />
            </Field>
          </div>
        )}
        <div className="col-md-4">
          <Field label={say({ code: 'account.new' })} problem={errors.password?.message}>
            <Form.Control type="password" autoComplete="new-password" {...register('password')} />
          </Field>
        </div>
        <div className="col-md-4 pt-md-4">
          <Button type="submit" variant="plain" disabled={isSubmitting} className="mt-md-1">
            {say({ code: 'account.change' })}
          </Button>
        </div>
      </Form>
      {message && <p role="status">{message}</p>}
    </section>
  );
}
