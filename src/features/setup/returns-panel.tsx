'use client';
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
import '@/core/words/en/returns';
import '@/core/words/en/setup';
import { dropReturnsAction, saveReturnsAction, tryReturnsAction } from './actions';
import { returnsSchema } from './schemas';
import { useTell } from './use-tell';

interface Shown {
  address: string;
  host: string;
  port: number;
  security: MailSecurity;
  user: string;
  hasPassword: boolean;
}

/** The mailbox that undeliverable mails come back to; looked into before it is kept. */
export function ReturnsPanel({ kept, environment }: { kept: Shown | null; environment: string | null }) {
  const router = useRouter();
  const ready = useReady();
  const {
    register,
    handleSubmit,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({
    resolver: yupResolver(returnsSchema),
    defaultValues: {
      address: kept?.address ?? '',
      host: kept?.host ?? '',
      port: kept?.port ?? 993,
      security: kept?.security ?? ('tls' as const),
      user: kept?.user ?? '',
      password: '',
    },
  });
  const { said, tell } = useTell(setError);
  const save = handleSubmit(async (values) => {
    tell(await attempt(() => saveReturnsAction(values)), say({ code: 'mailServer.saved' }));
    router.refresh();
  });
  const look = handleSubmit(async (values) =>
    tell(await attempt(() => tryReturnsAction(values)), say({ code: 'returns.looked' })),
  );
  const drop = async () => {
    tell(await attempt(() => dropReturnsAction({})), say({ code: 'mailServer.saved' }));
    router.refresh();
  };
  return (
    <Form onSubmit={save} noValidate className="sheet mt-3" id="returns" data-testid="returns">
      <h2>{say({ code: 'returns.title' })}</h2>
      <p className="quiet small">{say({ code: 'returns.why' })}</p>
      {!kept && environment && (
        <p className="small">{say({ code: 'returns.fromEnvironment', numbers: { address: environment } })}</p>
      )}
      <div className="row">
        <div className="col-md-4">
          <Field label={say({ code: 'returns.address' })} problem={errors.address?.message}>
            <Form.Control type="email" autoComplete="off" {...register('address')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'returns.host' })} problem={errors.host?.message}>
            <Form.Control placeholder="mail.example" {...register('host')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'mailServer.port' })} problem={errors.port?.message}>
            <Form.Control type="number" {...register('port')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'mailServer.security' })} problem={errors.security?.message}>
            <Form.Select {...register('security')}>
              {SECURITIES.map((one) => (
                <option key={one} value={one}>
                  {say({ code: `returns.${one}` })}
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
          <Field
            label={say({ code: 'mailServer.password' })}
            problem={errors.password?.message}
            help={kept?.hasPassword ? say({ code: 'mailServer.kept' }) : undefined}
          >
            <Form.Control type="password" autoComplete="new-password" {...register('password')} />
          </Field>
        </div>
      </div>
      <div className="d-flex flex-wrap gap-3 align-items-center">
        <Button variant="plain" disabled={!ready || isSubmitting} onClick={look}>
          {say({ code: 'returns.try' })}
        </Button>
        <Button type="submit" disabled={!ready || isSubmitting}>
          {say({ code: 'mailServer.save' })}
        </Button>
        {kept && (
          <Button variant="plain" onClick={drop}>
            {say({ code: 'returns.drop' })}
          </Button>
        )}
        <span role="status" className={said?.bad ? 'field-problem' : ''}>
          {said?.text}
        </span>
      </div>
    </Form>
  );
}
