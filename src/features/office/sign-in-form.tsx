'use client';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { useReady } from '@/ui/use-ready';
import { signInAction } from './actions';
import { signInSchema } from './schemas';

export function SignInForm({ next }: { next: string }) {
  const ready = useReady();
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(signInSchema) });
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => signInAction(values));
    // A full load: everything that was drawn for nobody is gone.
    if (result.ok) window.location.assign(next);
    else setMessage(result.message);
  });
  return (
    <Form method="post" onSubmit={submit} noValidate style={{ width: 'min(24rem, 100%)' }}>
      <h1 className="mb-3">Sign in</h1>
      <Field label="Mail address" problem={errors.email?.message}>
        <Form.Control type="email" autoComplete="username" autoFocus {...register('email')} />
      </Field>
      <Field label="Password" problem={errors.password?.message}>
        <Form.Control type="password" autoComplete="current-password" {...register('password')} />
      </Field>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <Button type="submit" disabled={isSubmitting || !ready} className="mt-2 w-100">
        {isSubmitting ? 'One moment …' : 'Sign in'}
      </Button>
      <p className="quiet small mt-3 mb-0">Accounts are made by the workshop’s administrator.</p>
    </Form>
  );
}
