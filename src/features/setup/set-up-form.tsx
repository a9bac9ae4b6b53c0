'use client';
import { useEffect, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { say } from '@/core/words/say';
import { attempt, messageBeside } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import { useReady } from '@/ui/use-ready';
import '@/core/words/en/setup';
import { setUpAction } from './actions';
import { setUpSchema, TEAMS, type SetUpInput } from './schemas';
import '@/core/words/en/door';

interface Family {
  kind: string;
  models: string[];
}

/** The first visit to an empty house: whose it is, who runs it, what is calibrated. One page, nothing that can't be changed later. */
export function SetUpForm({ given, families }: { given: string; families: Family[] }) {
  const ready = useReady();
  const [done, setDone] = useState<string | null>(null);
  const [message, setMessage] = useState('');
  const form = useForm<SetUpInput>({
    resolver: yupResolver(setUpSchema) as never,
    defaultValues: { key: given, currency: 'EUR', team: 'few', families: [], place: '', contact: '', zone: 'UTC' },
  });
  const {
    register,
    handleSubmit,
    setError,
    setValue,
    control,
    formState: { errors, isSubmitting },
  } = form;
  const team = useWatch({ control, name: 'team' });
  // The zone of the computer that it is set up at: right nearly always, and seen.
  useEffect(() => setValue('zone', Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC'), [setValue]);
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => setUpAction(values));
    if (result.ok) return setDone(values.email);
    Object.entries(result.fields).forEach(([field, text]) => setError(field as 'password', { message: text }));
    // The key that came with the address has no field of its own.
    setMessage(given && result.fields.key ? result.message : messageBeside(result));
  });
  if (done)
    return (
      <div className="sheet" role="status">
        <p>{say({ code: 'setup.ready' })}</p>
        <Link className="btn btn-primary" href="/sign-in?next=/first-week">
          {say({ code: 'door.in' })}
        </Link>
      </div>
    );
  const line = (name: keyof SetUpInput & string, label: string, props: object = {}, help?: string) => (
    <Field label={label} problem={errors[name]?.message as string | undefined} help={help}>
      <Form.Control {...register(name)} {...props} />
    </Field>
  );
  return (
    <Form method="post" onSubmit={submit} noValidate>
      {given ? (
        <input type="hidden" {...register('key')} />
      ) : (
        <div className="sheet mb-3">{line('key', say({ code: 'setup.key' }), { autoComplete: 'off' })}</div>
      )}
      <div className="sheet mb-3">
        <h2>{say({ code: 'setup.workshop' })}</h2>
        <div className="row">
          <div className="col-md-6">
            {line('name', say({ code: 'setup.name' }), { autoFocus: true }, say({ code: 'setup.nameHelp' }))}
          </div>
          <div className="col-md-6">{line('address', say({ code: 'setup.address' }), { autoComplete: 'street-address' })}</div>
          <div className="col-md-6">{line('contact', say({ code: 'setup.contact' }))}</div>
          <div className="col-md-6">{line('place', say({ code: 'setup.place' }))}</div>
          <div className="col-md-4">{line('zone', say({ code: 'setup.zone' }))}</div>
          <div className="col-md-2">{line('currency', say({ code: 'setup.currency' }), { maxLength: 3 })}</div>
          <div className="col-md-6">
            <Field
              label={say({ code: 'setup.people' })}
              problem={errors.team?.message}
              help={team === 'alone' ? say({ code: 'setup.aloneWhy' }) : undefined}
            >
              <Form.Select {...register('team')}>
                {TEAMS.map((one) => (
                  <option key={one} value={one}>
                    {say({ code: `setup.${one}` })}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
        </div>
      </div>
      <div className="sheet mb-3">
        <h2>{say({ code: 'setup.administrator' })}</h2>
        <div className="row">
          <div className="col-md-4">{line('person', say({ code: 'setup.you' }), { autoComplete: 'name' })}</div>
          <div className="col-md-4">
            {line('email', say({ code: 'setup.mail' }), { type: 'email', autoComplete: 'username' })}
          </div>
          <div className="col-md-4">
            {line('password', say({ code: 'setup.password' }), { type: 'password', autoComplete: 'new-password' })}
          </div>
        </div>
      </div>
      <fieldset className="sheet mb-3">
        <legend className="h2">{say({ code: 'setup.families' })}</legend>
        <p className="quiet small">{say({ code: 'setup.familiesHelp' })}</p>
        <div className="row">
          {families.map(({ kind, models }) => (
            <div key={kind} className="col-md-6">
              <Form.Check
                id={`family-${kind}`}
                value={kind}
                label={
                  <>
                    {kind} <span className="quiet small">{models.join(', ')}</span>
                  </>
                }
                {...register('families')}
              />
            </div>
          ))}
        </div>
      </fieldset>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      <Button type="submit" disabled={isSubmitting || !ready}>
        {say({ code: isSubmitting ? 'setup.beginning' : 'setup.begin' })}
      </Button>
    </Form>
  );
}
