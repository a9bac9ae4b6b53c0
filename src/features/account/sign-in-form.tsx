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
import { askPasskeyAction, signInAction, signInCodeAction, signInPasskeyAction } from './actions';
import { codeSchema, signInSchema } from './schemas';
import '@/core/words/en/door';

/** The door: address and password, then a code where the person has one; or a passkey alone. */
export function SignInForm({ next, passkeys }: { next: string; passkeys: boolean }) {
  const ready = useReady();
  const [message, setMessage] = useState('');
  const [factor, setFactor] = useState(false);
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(signInSchema) });
  // A full load: everything that was drawn for nobody is gone.
  const into = () => window.location.assign(next);
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => signInAction(values));
    if (!result.ok) setMessage(result.message);
    else if ('factor' in result.value) setFactor(true);
    else into();
  });
  const byKey = async () => {
    const asked = await attempt(() => askPasskeyAction({}));
    if (!asked.ok) return setMessage(asked.message);
    const response = await (
      await import('@simplewebauthn/browser')
    )
      .startAuthentication({ optionsJSON: asked.value })
      .catch(() => null);
    if (!response) return;
    const result = await attempt(() => signInPasskeyAction({ response }));
    if (result.ok) into();
    else setMessage(result.message);
  };
  if (factor) return <CodeForm into={into} back={() => setFactor(false)} />;
  return (
    <Form method="post" onSubmit={submit} noValidate style={{ width: 'min(24rem, 100%)' }}>
      <h1 className="mb-3">{say({ code: 'door.title' })}</h1>
      <Field label={say({ code: 'door.mail' })} problem={errors.email?.message}>
        <Form.Control type="email" autoComplete="username" autoFocus {...register('email')} />
      </Field>
      <Field label={say({ code: 'door.password' })} problem={errors.password?.message}>
        <Form.Control type="password" autoComplete="current-password" {...register('password')} />
      </Field>
      <Said message={message} />
      <Button type="submit" disabled={isSubmitting || !ready} className="mt-2 w-100">
        {say({ code: isSubmitting ? 'door.moment' : 'door.in' })}
      </Button>
      {passkeys && (
        <Button variant="plain" className="mt-2 w-100" disabled={!ready} onClick={() => void byKey()}>
          {say({ code: 'door.passkey' })}
        </Button>
      )}
      <p className="mt-3 mb-0">
        <Link href="/sign-in/forgotten">{say({ code: 'door.forgotten' })}</Link>
      </p>
      <p className="quiet small mt-2 mb-0">{say({ code: 'door.accounts' })}</p>
    </Form>
  );
}

const Said = ({ message }: { message: string }) =>
  message && (
    <p className="field-problem" role="alert">
      {message}
    </p>
  );

function CodeForm({ into, back }: { into: () => void; back: () => void }) {
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(codeSchema) });
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => signInCodeAction(values));
    if (result.ok) into();
    else setMessage(result.message);
  });
  return (
    <Form method="post" onSubmit={submit} noValidate style={{ width: 'min(24rem, 100%)' }}>
      <h1 className="mb-3">{say({ code: 'door.title' })}</h1>
      <p>{say({ code: 'door.codeWhy' })}</p>
      <Field label={say({ code: 'door.code' })} problem={errors.code?.message}>
        <Form.Control inputMode="text" autoComplete="one-time-code" autoFocus size="lg" className="mono" {...register('code')} />
      </Field>
      <Said message={message} />
      <Button type="submit" disabled={isSubmitting} className="mt-2 w-100">
        {say({ code: isSubmitting ? 'door.moment' : 'door.in' })}
      </Button>
      <Button variant="link" className="px-0 mt-2" onClick={back}>
        {say({ code: 'door.again' })}
      </Button>
    </Form>
  );
}
