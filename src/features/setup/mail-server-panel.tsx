'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { SECURITIES, type MailSecurity } from '@/platform/client/mail-securities';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { useReady } from '@/ui/use-ready';
import '@/core/words/en/setup';
import { saveMailServerAction, tryMailAction } from './actions';
import { mailServerSchema, tryMailSchema } from './schemas';
import { useTell } from './use-tell';

interface Shown {
  host: string;
  port: number;
  security: MailSecurity;
  user: string;
  hasPassword: boolean;
}

/** How the workshop's mail server is reached; tried with a mail before it is kept. */
export function MailServerPanel({ kept, mine }: { kept: Shown | null; mine: string }) {
  const router = useRouter();
  const ready = useReady();
  const [to, setTo] = useState(mine);
  const {
    register,
    handleSubmit,
    setError,
    getValues,
    formState: { errors, isSubmitting },
  } = useForm({
    resolver: yupResolver(mailServerSchema),
    defaultValues: {
      host: kept?.host ?? '',
      port: kept?.port ?? 587,
      security: kept?.security ?? ('starttls' as const),
      user: kept?.user ?? '',
      password: '',
    },
  });
  const { said, tell, refuse } = useTell(setError);
  const save = handleSubmit(async (values) => {
    tell(await attempt(() => saveMailServerAction(values)), say({ code: 'mailServer.saved' }));
    router.refresh();
  });
  const send = handleSubmit(async () => {
    const typed = { ...getValues(), to };
    const checked = await tryMailSchema.validate(typed).catch((error: Error) => error);
    if (checked instanceof Error) return refuse(checked.message);
    tell(await attempt(() => tryMailAction(checked)), say({ code: 'mailServer.sent', numbers: { to } }));
  });
  return (
    <Form onSubmit={save} noValidate className="sheet mt-3" id="mail-server">
      <h2>{say({ code: 'mailServer.title' })}</h2>
      <p className="quiet small">{say({ code: kept ? 'mailServer.why' : 'mailServer.fromEnvironment' })}</p>
      <div className="row">
        <div className="col-md-4">
          <Field label={say({ code: 'mailServer.host' })} problem={errors.host?.message}>
            <Form.Control placeholder="mail.example" {...register('host')} />
          </Field>
        </div>
        <div className="col-md-2">
          <Field label={say({ code: 'mailServer.port' })} problem={errors.port?.message}>
            <Form.Control type="number" {...register('port')} />
          </Field>
        </div>
        <div className="col-md-6">
          <Field label={say({ code: 'mailServer.security' })} problem={errors.security?.message}>
            <Form.Select {...register('security')}>
              {SECURITIES.map((one) => (
                <option key={one} value={one}>
                  {say({ code: `mailServer.${one}` })}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'mailServer.user' })} problem={errors.user?.message}>
            <Form.Control autoComplete="off" {...register('user')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'mailServer.password' })} problem={errors.password?.message}>
            <Form.Control
              type="password"
              autoComplete="new-password"
              placeholder={kept?.hasPassword ? say({ code: 'mailServer.kept' }) : ''}
              {...register('password')}
            />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'mailServer.to' })}>
            <Form.Control type="email" value={to} onChange={(event) => setTo(event.target.value)} />
          </Field>
        </div>
      </div>
      <div className="d-flex flex-wrap gap-3 align-items-center mt-2">
        <Button type="submit" disabled={isSubmitting || !ready}>
          {say({ code: 'mailServer.save' })}
        </Button>
        <Button variant="plain" disabled={isSubmitting || !ready} onClick={() => void send()}>
          {say({ code: 'mailServer.try' })}
        </Button>
        {said && (
          <span role="status" className={said.bad ? 'field-problem' : ''}>
            {said.text}
          </span>
        )}
      </div>
    </Form>
  );
}
