'use client';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { askPasswordLinkAction } from './actions';
import { DoorForm } from './door-form';
import { forgottenSchema } from './schemas';
import '@/core/words/en/account';
import '@/core/words/en/door';

/** Asks for a link to a new password; the answer is the same whoever asks. */
export function ForgottenForm() {
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
    <DoorForm
      submit={submit}
      busy={isSubmitting}
      done={sent ? say({ code: 'forgotten.sent' }) : ''}
      message={message}
      act={say({ code: 'forgotten.send' })}
    >
      <p>{say({ code: 'forgotten.why' })}</p>
      <Field label={say({ code: 'door.mail' })} problem={errors.email?.message}>
        <Form.Control type="email" autoComplete="username" autoFocus {...register('email')} />
      </Field>
    </DoorForm>
  );
}
