'use client';
import { useState } from 'react';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { attempt } from '@/platform/client/result';
import type { WorkshopSettings } from '@/platform/settings';
import type { Role } from '@/core/record/event';
import { Field } from '@/ui/field';
import { addUserAction, saveSettingsAction, setUserActiveAction } from './actions';
import { settingsSchema, userSchema } from './schemas';

export function SettingsForm({ settings }: { settings: WorkshopSettings }) {
  const [message, setMessage] = useState('');
  const {
    register,
    handleSubmit,
    formState: { errors, isSubmitting },
  } = useForm({ resolver: yupResolver(settingsSchema), defaultValues: settings });
  const submit = handleSubmit(async (values) => {
    const result = await attempt(() => saveSettingsAction(values));
    setMessage(result.ok ? 'Saved.' : result.message);
  });
  return (
    <Form onSubmit={submit} noValidate className="sheet">
      <h2>Workshop</h2>
      <div className="row">
        <div className="col-md-6">
          <Field label="Name" problem={errors.name?.message}>
            <Form.Control {...register('name')} />
          </Field>
        </div>
        <div className="col-md-6">
          <Field label="Address" problem={errors.address?.message}>
            <Form.Control {...register('address')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Place of calibration" problem={errors.place?.message}>
            <Form.Control {...register('place')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Reached by (telephone, mail)" problem={errors.contact?.message}>
            <Form.Control {...register('contact')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Time zone" problem={errors.zone?.message}>
            <Form.Control {...register('zone')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Sender of reminders" problem={errors.mailFrom?.message}>
            <Form.Control {...register('mailFrom')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Bench places" problem={errors.places?.message}>
            <Form.Control type="number" {...register('places')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Remind ahead, days" problem={errors.remindAheadDays?.message}>
            <Form.Control type="number" {...register('remindAheadDays')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Currency of prices" problem={errors.currency?.message}>
            <Form.Control {...register('currency')} />
          </Field>
          <Field label="Remind after, days overdue" problem={errors.remindAfterDays?.message}>
            <Form.Control type="number" {...register('remindAfterDays')} />
          </Field>
        </div>
      </div>
      <Form.Check
        id="annex-budgets-always"
        label="Every document gets the annex of its uncertainty budgets."
        {...register('annexBudgets')}
      />
      <Form.Check id="annex-traces-always" label="Every document gets the annex of its traces." {...register('annexTraces')} />
      <Form.Check
        id="same-person"
        label="One-person workshop: whoever did the work may approve it. Every certificate then says so."
        {...register('samePersonApproves')}
      />
      <div className="d-flex gap-3 align-items-center mt-3">
        <Button type="submit" disabled={isSubmitting}>
          Save settings
        </Button>
        <span role="status">{message}</span>
      </div>
    </Form>
  );
}

export interface UserLine {
  id: string;
  name: string;
  email: string;
  role: Role;
  active: boolean;
}

export function UserPanel({ users }: { users: UserLine[] }) {
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
    if (result.ok) {
      reset();
      router.refresh();
    } else {
      Object.entries(result.fields).forEach(([field, text]) => setError(field as 'email', { message: text }));
      setMessage(result.message);
    }
  });
  const turn = async (user: UserLine) => {
    const result = await attempt(() => setUserActiveAction({ userId: user.id, active: !user.active }));
    if (result.ok) router.refresh();
    else setMessage(result.message);
  };
  return (
    <div className="sheet">
      <h2>People</h2>
      <table className="table">
        <thead>
          <tr>
            <th>Name</th>
            <th>Address</th>
            <th>Role</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {users.map((user) => (
            <tr key={user.id}>
              <td>{user.name}</td>
              <td>{user.email}</td>
              <td>{user.role}</td>
              <td className="text-end">
                <Button variant="plain" size="sm" onClick={() => turn(user)}>
                  {user.active ? 'Keep out' : 'Let in'}
                </Button>
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
      <Form onSubmit={add} noValidate className="row align-items-start">
        <div className="col-md-3">
          <Field label="Name" problem={errors.name?.message}>
            <Form.Control {...register('name')} />
          </Field>
        </div>
        <div className="col-md-3">
          <Field label="Mail address" problem={errors.email?.message}>
            <Form.Control type="email" {...register('email')} />
          </Field>
        </div>
        <div className="col-md-2">
          <Field label="Role" problem={errors.role?.message}>
            <Form.Select {...register('role')}>
              <option>counter</option>
              <option>technician</option>
              <option>signatory</option>
              <option>administrator</option>
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-2">
          <Field label="First password" problem={errors.password?.message}>
            <Form.Control type="password" autoComplete="new-password" {...register('password')} />
          </Field>
        </div>
        <div className="col-md-2 pt-md-4">
          <Button type="submit" variant="plain" disabled={isSubmitting} className="mt-md-1">
            Add
          </Button>
        </div>
      </Form>
    </div>
  );
}
