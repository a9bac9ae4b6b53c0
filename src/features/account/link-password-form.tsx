'use client';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import { useReady } from '@/ui/use-ready';
import { setPasswordByLinkAction } from './actions';
import { linkPasswordSchema } from './schemas';
import '@/core/words/en/account';

/** The new password of whoever holds the link of the mail. */
export function LinkPasswordForm({ token, name, email }: { token: string; name: string; email: string }) {
  const ready = useReady();
  const [done, setDone] = useState(false);
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(linkPasswordSchema), defaultValues: { token, password: '' } });
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => setPasswordByLinkAction(values));
    setDone(result.ok);
    if (result.ok) return;
    if (result.fields.password) setError('password', { message: result.fields.password });
    setMessage(messageBeside(result));
  });
  return (
    <Form method="post" onSubmit={submit} noValidate style={{ width: 'min(24rem, 100%)' }}>
      <h1 className="mb-3">{say({ code: 'forgotten.title' })}</h1>
      {done ? (
        <p role="status">{say({ code: 'forgotten.done' })}</p>
      ) : (
        <>
          {/* For what keeps passwords: whose it is. */}
          <input type="hidden" autoComplete="username" value={email} readOnly />
          <Field label={say({ code: 'forgotten.of', numbers: { name } })} problem={errors.password?.message}>
            <Form.Control type="password" autoComplete="new-password" autoFocus {...register('password')} />
          </Field>
          {message && (
            <p className="field-problem" role="alert">
              {message}
            </p>
          )}
          <Button type="submit" disabled={isSubmitting || !ready} className="mt-2 w-100">
            {say({ code: 'forgotten.set' })}
          </Button>
        </>
      )}
      <p className="mt-3 mb-0">
        <Link href="/sign-in">{say({ code: 'forgotten.back' })}</Link>
      </p>
    </Form>
  );
}
