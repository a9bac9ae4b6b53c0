'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ROLES, type Role } from '@/core/record/event';
import { say } from '@/core/words/say';
import { attempt, type Attempted } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { CorrectPerson } from './correct-person';
import { ONE_TIME_DAYS } from './one-time-days';
import { useReady } from '@/ui/use-ready';
import {
  addUserAction,
  dropSecondFactorAction,
  giveOneTimePasswordAction,
  setUserActiveAction,
  setUserRoleAction,
} from './actions';
import { userSchema } from './schemas';
import '@/core/words/en/house';
import '@/core/words/en/account';

interface UserLine {
  id: string;
  name: string;
  email: string;
  role: Role;
  active: boolean;
  /** Signs in with one-time codes. */
  codes: boolean;
  /** Has not set a password of their own yet. */
  once: boolean;
}

/** People: who comes in, as what. Each change is in the audit and, from what to what, in the change log. */
export function UserPanel({ users, me }: { users: UserLine[]; me: string }) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const [given, setGiven] = useState<{ name: string; password: string } | null>(null);
  const [corrected, setCorrected] = useState<UserLine | null>(null);
  const ready = useReady();
  const after = (result: Attempted) => {
    setMessage(result.ok ? '' : result.message);
    if (result.ok) router.refresh();
    return result.ok;
  };
  return (
    <div className="sheet">
      <table className="table">
        <thead>
          <tr>
            <th>{say({ code: 'people.name' })}</th>
            <th>{say({ code: 'people.address' })}</th>
            <th>{say({ code: 'people.role' })}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {users.map((user) => (
            <tr key={user.id} className={user.active ? '' : 'quiet'}>
              <td>
                {user.name}
                {user.once && <span className="d-block small quiet">{say({ code: 'people.waits' })}</span>}
              </td>
              <td className="text-break">{user.email}</td>
              <td>
                {user.id === me ? (
                  say({ code: `role.${user.role}` })
                ) : (
                  <Form.Select
                    size="sm"
                    aria-label={say({ code: 'people.roleOf', numbers: { name: user.name } })}
                    value={user.role}
                    onChange={async (event) =>
                      after(await attempt(() => setUserRoleAction({ userId: user.id, role: event.target.value as Role })))
                    }
                  >
                    <RoleOptions />
                  </Form.Select>
                )}
              </td>
              <td className="text-end text-nowrap">
                <Button
                  variant="plain"
                  size="sm"
                  aria-label={say({ code: 'people.correctOf', numbers: { name: user.name } })}
                  onClick={() => setCorrected(user)}
                >
                  {say({ code: 'people.correct' })}
                </Button>{' '}
                {user.id !== me && (
                  <>
                    {user.codes && user.id !== me && (
                      <Button
                        variant="plain"
                        size="sm"
                        disabled={!ready}
                        onClick={async () => after(await attempt(() => dropSecondFactorAction({ userId: user.id })))}
                      >
                        {say({ code: 'factor.reset' })}
                      </Button>
                    )}{' '}
                    <Button
                      variant="plain"
                      size="sm"
                      disabled={!ready}
                      aria-label={say({ code: 'people.onceOf', numbers: { name: user.name } })}
                      onClick={async () => {
                        const result = await attempt(() => giveOneTimePasswordAction({ userId: user.id }));
                        if (after(result) && result.ok) setGiven(result.value);
                      }}
                    >
                      {say({ code: 'people.once' })}
                    </Button>{' '}
                    <Button
                      variant="plain"
                      size="sm"
                      onClick={async () =>
                        after(await attempt(() => setUserActiveAction({ userId: user.id, active: !user.active })))
                      }
                    >
                      {say({ code: user.active ? 'people.keepOut' : 'people.letIn' })}
                    </Button>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
      {corrected && <CorrectPerson key={corrected.id} person={corrected} done={() => setCorrected(null)} />}
      {given && <Given given={given} done={() => setGiven(null)} />}
      <AddPerson given={setGiven} />
    </div>
  );
}

const RoleOptions = () =>
  ROLES.map((role) => (
    <option key={role} value={role}>
      {say({ code: `role.${role}` })}
    </option>
  ));

/** A password that the house made: shown once, to be said. */
function Given({ given, done }: { given: { name: string; password: string }; done: () => void }) {
  return (
    <div className="notice" role="status" data-testid="given-password">
      <p className="mb-1">{say({ code: 'people.onceSaid', numbers: { name: given.name, days: ONE_TIME_DAYS } })}</p>
      <p className="mono fs-4 mb-2 user-select-all">{given.password}</p>
      <Button variant="plain" size="sm" onClick={done}>
        {say({ code: 'people.onceKept' })}
      </Button>
    </div>
  );
}

function AddPerson({ given }: { given: (one: { name: string; password: string }) => void }) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    reset,
    setError,
    formState: { errors, isSubmitting },
  } = useForm({
    resolver: yupResolver(userSchema),
    defaultValues: { name: '', email: '', role: 'technician' as const },
  });
  const add = handleSubmit(async (values) => {
    const result = await attempt(() => addUserAction(values));
    setMessage(result.ok || Object.keys(result.fields).length ? '' : result.message);
    if (result.ok) {
      reset();
      given(result.value);
      router.refresh();
    } else Object.entries(result.fields).forEach(([field, text]) => setError(field as 'email', { message: text }));
  });
  return (
    <Form onSubmit={add} noValidate className="row align-items-start">
      <div className="col-md-3">
        <Field label={say({ code: 'people.name' })} problem={errors.name?.message}>
          <Form.Control {...register('name')} />
        </Field>
      </div>
      <div className="col-md-3">
        <Field label={say({ code: 'people.address' })} problem={errors.email?.message}>
          <Form.Control type="email" {...register('email')} />
        </Field>
      </div>
      <div className="col-md-4">
        <Field label={say({ code: 'people.role' })} problem={errors.role?.message}>
          <Form.Select {...register('role')}>
            <RoleOptions />
          </Form.Select>
        </Field>
      </div>
      <div className="col-md-2 pt-md-4">
        <Button type="submit" variant="plain" disabled={isSubmitting} className="mt-md-1">
          {say({ code: 'people.add' })}
        </Button>
      </div>
      {message && (
        <p className="field-problem" role="alert">
          {message}
        </p>
      )}
    </Form>
  );
}
