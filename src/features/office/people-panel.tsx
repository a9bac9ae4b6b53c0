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
import { useReady } from '@/ui/use-ready';
import { addUserAction, dropSecondFactorAction, setUserActiveAction, setUserPasswordAction, setUserRoleAction } from './actions';
import { userSchema } from './schemas';

interface UserLine {
  id: string;
  name: string;
  email: string;
  role: Role;
  active: boolean;
  /** Signs in with one-time codes. */
  codes: boolean;
}

/** People: who comes in, as what. Each change is in the audit and, from what to what, in the change log. */
export function UserPanel({ users, me }: { users: UserLine[]; me: string }) {
  const router = useRouter();
  const [message, setMessage] = useState('');
  const [renewing, setRenewing] = useState('');
  const ready = useReady();
  const after = (result: Attempted) => {
    setMessage(result.ok ? '' : result.message);
    if (result.ok) router.refresh();
    return result.ok;
  };
  return (
    <div className="sheet">
      <h2>{say({ code: 'people.title' })}</h2>
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
              <td>{user.name}</td>
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
                {renewing === user.id ? (
                  <NewPassword
                    name={user.name}
                    done={() => setRenewing('')}
                    send={(password) => attempt(() => setUserPasswordAction({ userId: user.id, password }))}
                  />
                ) : (
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
                    <Button variant="plain" size="sm" onClick={() => setRenewing(user.id)}>
                      {say({ code: 'people.newPassword' })}
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
      <AddPerson />
    </div>
  );
}

const RoleOptions = () =>
  ROLES.map((role) => (
    <option key={role} value={role}>
      {say({ code: `role.${role}` })}
    </option>
  ));

/** A password that the administrator says to the person; whoever is signed in with the old one is out at once. */
function NewPassword({ name, done, send }: { name: string; done: () => void; send: (password: string) => Promise<Attempted> }) {
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState('');
  const submit = async (event: React.FormEvent) => {
    event.preventDefault();
    const result = await send(password);
    if (result.ok) done();
    else setProblem(result.fields.password ?? result.message);
  };
  return (
    <form onSubmit={submit} className="d-inline-flex flex-wrap gap-1 justify-content-end" noValidate>
      <Form.Control
        size="sm"
        type="password"
        autoComplete="new-password"
        autoFocus
        aria-label={say({ code: 'people.newPasswordOf', numbers: { name } })}
        value={password}
        onChange={(event) => setPassword(event.target.value)}
        style={{ width: '12rem' }}
      />
      <Button type="submit" size="sm">
        {say({ code: 'people.set' })}
      </Button>
      <Button variant="plain" size="sm" onClick={done}>
        {say({ code: 'people.leave' })}
      </Button>
      {problem && <span className="field-problem w-100">{problem}</span>}
    </form>
  );
}

function AddPerson() {
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
    defaultValues: { name: '', email: '', role: 'technician' as const, password: '' },
  });
  const add = handleSubmit(async (values) => {
    const result = await attempt(() => addUserAction(values));
    setMessage(result.ok || Object.keys(result.fields).length ? '' : result.message);
    if (result.ok) {
      reset();
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
      <div className="col-md-2">
        <Field label={say({ code: 'people.role' })} problem={errors.role?.message}>
          <Form.Select {...register('role')}>
            <RoleOptions />
          </Form.Select>
        </Field>
      </div>
      <div className="col-md-2">
        <Field label={say({ code: 'people.firstPassword' })} problem={errors.password?.message}>
          <Form.Control type="password" autoComplete="new-password" {...register('password')} />
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
