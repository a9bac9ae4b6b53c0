'use client';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { ROLES } from '@/core/record/event';
import { LABEL_PAPERS } from '@/core/paper/label-paper';
import { DAY_ORDERS } from '@/core/quantity/read-day';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import type { WorkshopSettings } from '@/platform/settings';
import { Field } from '@/ui/field';
import { saveSettingsAction } from './actions';
import { settingsSchema } from './schemas';
import '@/core/words/en/advice';
import '@/core/words/en/competence';
import '@/core/words/en/bookings';
import '@/core/words/en/jobs';
import '@/core/words/en/day';
import '@/core/words/en/paper';
import '@/core/words/en/house';
import '@/core/words/en/account';

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
          <Field label={say({ code: 'settings.replyTo' })} problem={errors.replyTo?.message}>
            <Form.Control type="email" autoComplete="off" {...register('replyTo')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Bench places" problem={errors.places?.message}>
            <Form.Control type="number" {...register('places')} />
          </Field>
        </div>
        <div className="col-md-8">
          <Field label={say({ code: 'settings.secondPlace' })} problem={errors.secondPlace?.message}>
            <Form.Control {...register('secondPlace')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'settings.secondFrom' })} problem={errors.secondFrom?.message}>
            <Form.Control type="number" {...register('secondFrom')} />
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'settings.remindHour' })} problem={errors.remindHour?.message}>
            <Form.Control type="number" {...register('remindHour')} />
          </Field>
        </div>
        {(['weekInstruments', 'weekHours'] as const).map((name) => (
          <div key={name} className="col-md-4">
            <Field label={say({ code: `settings.${name}` })} problem={errors[name]?.message}>
              <Form.Control type="number" step="any" {...register(name)} />
            </Field>
          </div>
        ))}
        <div className="col-md-4">
          <Field label={say({ code: 'settings.foundWithinPercent' })} problem={errors.foundWithinPercent?.message}>
            <Form.Control type="number" step="any" {...register('foundWithinPercent')} />
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
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'settings.dayOrder' })} problem={errors.dayOrder?.message}>
            <Form.Select {...register('dayOrder')}>
              {DAY_ORDERS.map((order) => (
                <option key={order} value={order}>
                  {say({ code: `settings.dayOrder.${order}` })}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-4">
          <Field label={say({ code: 'label.paper' })} problem={errors.labelPaper?.message}>
            <Form.Select {...register('labelPaper')}>
              {LABEL_PAPERS.map((paper) => (
                <option key={paper} value={paper}>
                  {say({ code: `label.paper.${paper}` })}
                </option>
              ))}
            </Form.Select>
          </Field>
        </div>
        <div className="col-md-4">
          <Field label="Remind after, days overdue" problem={errors.remindAfterDays?.message}>
            <Form.Control type="number" {...register('remindAfterDays')} />
          </Field>
        </div>
      </div>
      <Form.Check id="mail-certificates" label={say({ code: 'settings.mailCertificates' })} {...register('mailCertificates')} />
      <Form.Check id="remind-by-itself" label={say({ code: 'settings.remindByItself' })} {...register('remindByItself')} />
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
      <Form.Check id="works-watched" label={say({ code: 'settings.worksWatched' })} {...register('worksWatched')} />
      <div className="row mt-2">
        <div className="col-md-4">
          <Field label={say({ code: 'settings.lockAfter' })} problem={errors.lockAfterMinutes?.message}>
            <Form.Control type="number" {...register('lockAfterMinutes')} />
          </Field>
        </div>
        <fieldset className="col-md-8">
          <legend className="form-label mb-1 fs-6">{say({ code: 'settings.secondFactor' })}</legend>
          {ROLES.map((role) => (
            <Form.Check
              key={role}
              inline
              id={`factor-${role}`}
              value={role}
              label={say({ code: `role.${role}` })}
              {...register('secondFactorRoles')}
            />
          ))}
        </fieldset>
      </div>
      <Form.Check
        id="administrator-signs"
        label={say({ code: 'settings.administratorSigns' })}
        {...register('administratorSigns')}
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
