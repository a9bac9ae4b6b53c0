'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { LANGUAGES, say } from '@/core/words/say';
import { attempt, messageBeside, type ClientResult } from '@/platform/client/result';
import { DECISION_RULES } from '@/core/uncertainty/decide';
import { Field } from '@/ui/field';
import { Link } from '@/ui/link';
import { customersLikeAction } from './actions';
import { customerSchema, type CustomerInput } from './customer-schema';
import '@/core/words/en/customers';

const EMPTY: CustomerInput = {
  name: '',
  address: '',
  contact: '',
  email: '',
  phone: '',
  notes: '',
  wantsReminders: true,
  agreesDue: false,
  rule: 'simple',
  annexBudgets: false,
  annexTraces: false,
  wantsCertificates: true,
  language: 'en',
  bumpEveryDays: null,
};
const FIELDS = ['name', 'address', 'contact', 'email', 'phone', 'notes'] as const;
/** A pause in typing after which names that are much alike are looked for, ms. */
const PAUSE_MS = 250;

interface Props<T> {
  initial: Partial<CustomerInput>;
  act: string;
  /** A customer that is its own likeness. */
  except?: string;
  send: (input: CustomerInput) => Promise<ClientResult<T>>;
  onDone: (value: T) => void;
  onLeave: () => void;
  /** Where somebody else was quicker: what stands on record now. */
  theirs?: CustomerInput | undefined;
  onConflict?: () => void;
  waiting?: boolean;
}

/** All that a customer is, made or corrected. Names much like the one typed are shown before a second one is made. */
export function CustomerForm<T>({ initial, act, except, send, onDone, onLeave, theirs, onConflict, waiting = false }: Props<T>) {
  const [message, setMessage] = useState('');
  const [conflict, setConflict] = useState(false);
  const {
    register,
    handleSubmit,
    setError,
    reset,
    control,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(customerSchema), defaultValues: { ...EMPTY, ...initial } });
  const alike = useAlike(useWatch({ control, name: 'name' }), except);
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => send(values));
    if (result.ok) return onDone(result.value);
    Object.entries(result.fields).forEach(([field, text]) => setError(field as 'name', { message: text }));
    setMessage(messageBeside(result));
    const meanwhile = result.code === 'changedMeanwhile';
    setConflict(meanwhile);
    if (meanwhile) onConflict?.();
  });
  const field = (name: (typeof FIELDS)[number]) => (
    <Field label={say({ code: `customer.${name}` })} problem={errors[name]?.message}>
      {name === 'notes' || name === 'address' ? (
        <Form.Control as="textarea" rows={2} {...register(name)} />
      ) : (
        <Form.Control
          autoFocus={name === 'name'}
          autoComplete="off"
          {...(name === 'email' ? { type: 'email' } : {})}
          {...register(name)}
        />
      )}
    </Field>
  );
  return (
    <Form onSubmit={submit} noValidate data-testid="customer-form">
      <div className="row">
        {FIELDS.map((name) => (
          <div className="col-md-6" key={name}>
            {field(name)}
            {name === 'name' && <Alike alike={alike} />}
          </div>
        ))}
      </div>
      <Form.Check id="wants-reminders" label={say({ code: 'customer.wantsReminders' })} {...register('wantsReminders')} />
      <Form.Check
        id="wants-certificates"
        label={say({ code: 'customer.wantsCertificates' })}
        {...register('wantsCertificates')}
      />
      <Form.Check id="agrees-due" label={say({ code: 'customer.agreesDue' })} {...register('agreesDue')} />
      <Form.Check id="annex-budgets" label={say({ code: 'customer.annexBudgets' })} {...register('annexBudgets')} />
      <Form.Check id="annex-traces" label={say({ code: 'customer.annexTraces' })} {...register('annexTraces')} />
      <div className="mt-2" style={{ maxWidth: '20rem' }}>
        <Field label={say({ code: 'customer.bumpEveryDays' })} problem={errors.bumpEveryDays?.message}>
          <Form.Control inputMode="numeric" autoComplete="off" {...register('bumpEveryDays')} />
        </Field>
        <Field label={say({ code: 'customer.language' })} problem={errors.language?.message}>
          <Form.Select {...register('language')}>
            {LANGUAGES.map((language) => (
              <option key={language} value={language}>
                {say({ code: `customer.language.${language}` })}
              </option>
            ))}
          </Form.Select>
        </Field>
        <Field label={say({ code: 'customer.rule' })} problem={errors.rule?.message}>
          <Form.Select {...register('rule')}>
            {DECISION_RULES.map((rule) => (
              <option key={rule} value={rule}>
                {say({ code: `customer.rule.${rule}` })}
              </option>
            ))}
          </Form.Select>
        </Field>
      </div>
      {message && (
        <p className="field-problem mt-2 mb-0" role="alert">
          {message}
        </p>
      )}
      <div className="d-flex gap-2 mt-2">
        <Button type="submit" disabled={isSubmitting || waiting}>
          {act}
        </Button>
        {conflict && theirs && (
          <Button
            variant="plain"
            onClick={() => {
              reset(theirs);
              setMessage('');
              setConflict(false);
            }}
          >
            {say({ code: 'customer.takeTheirs' })}
          </Button>
        )}
        <Button variant="plain" onClick={onLeave}>
          {say({ code: 'customer.leave' })}
        </Button>
      </div>
    </Form>
  );
}

function Alike({ alike }: { alike: { id: string; name: string }[] }) {
  if (alike.length === 0) return null;
  return (
    <div className="notice small mb-2" role="status" data-testid="alike">
      {say({ code: 'customer.alike' })}{' '}
      {alike.map(({ id, name }, index) => (
        <span key={id}>
          {index > 0 && ', '}
          <Link href={`/customers/${id}`}>{name}</Link>
        </span>
      ))}
    </div>
  );
}

function useAlike(name: string, except?: string): { id: string; name: string }[] {
  const [alike, setAlike] = useState<{ id: string; name: string }[]>([]);
  const asked = useRef(0);
  const look = useCallback(async () => {
    const mine = ++asked.current;
    const result = await attempt(() => customersLikeAction({ text: name, ...(except ? { except } : {}) }));
    if (mine === asked.current) setAlike(result.ok ? result.value : []);
  }, [name, except]);
  useEffect(() => {
    const timer = window.setTimeout(() => void look(), PAUSE_MS);
    return () => window.clearTimeout(timer);
  }, [look]);
  return alike;
}
