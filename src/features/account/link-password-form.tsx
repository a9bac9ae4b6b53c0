'use client';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { setPasswordByLinkAction } from './actions';
import { DoorForm } from './door-form';
import { linkPasswordSchema } from './schemas';
import '@/core/words/en/account';

/** The new password of whoever holds the link of the mail. */
export function LinkPasswordForm({ token, name, email }: { token: string; name: string; email: string }) {
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
    <DoorForm
      submit={submit}
      busy={isSubmitting}
      done={done ? say({ code: 'forgotten.done' }) : ''}
      message={message}
      act={say({ code: 'forgotten.set' })}
    >
      {/* For what keeps passwords: whose it is. */}
      <input type="hidden" autoComplete="username" value={email} readOnly />
      <Field label={say({ code: 'forgotten.of', numbers: { name } })} problem={errors.password?.message}>
        <Form.Control type="password" autoComplete="new-password" autoFocus {...register('password')} />
      </Field>
    </DoorForm>
  );
}
