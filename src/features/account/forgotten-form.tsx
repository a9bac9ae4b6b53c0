'use client';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import { useReady } from '@/ui/use-ready';
import { askPasswordLinkAction } from './actions';
import { forgottenSchema } from './schemas';
import '@/core/words/en/account';

/** Asks for a link to a new password; the answer is the same whoever asks. */
export function ForgottenForm() {
  const ready = useReady();
  const [sent, setSent] = useState(false);
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(forgottenSchema) });
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => askPasswordLinkAction(values));
    setSent(result.ok);
    setMessage(result.ok ? '' : result.message);
  });
  return (
    <Form method="post" onSubmit={submit} noValidate style={{ width: 'min(24rem, 100%)' }}>
      <h1 className="mb-3">{say({ code: 'forgotten.title' })}</h1>
      {sent ? (
        <p role="status">{say({ code: 'forgotten.sent' })}</p>
      ) : (
        <>
          <p>{say({ code: 'forgotten.why' })}</p>
          <Field label={say({ code: 'door.mail' })} problem={errors.email?.message}>
            <Form.Control type="email" autoComplete="username" autoFocus {...register('email')} />
          </Field>
          {message && (
            <p className="field-problem" role="alert">
              {message}
            </p>
          )}
          <Button type="submit" disabled={isSubmitting || !ready} className="mt-2 w-100">
            {say({ code: 'forgotten.send' })}
          </Button>
        </>
      )}
      <p className="mt-3 mb-0">
        <Link href="/sign-in">{say({ code: 'forgotten.back' })}</Link>
      </p>
    </Form>
  );
}
