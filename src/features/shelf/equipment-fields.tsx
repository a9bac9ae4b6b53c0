'use client';
import { useEffect } from 'react';
import type { FieldErrors, UseFormRegister, UseFormSetValue } from 'react-hook-form';
import Form from 'react-bootstrap/Form';
import { Field } from '@/ui/field';
import { MEASURES, type ReferenceInput } from './shelf-schema';

/** What a thermometer, barometer or hygrometer states of itself: uncertainty, and the corrections of its certificate over its range. */
export function EquipmentFields({
  role,
  setValue,
  register,
  errors,
}: {
  role: string;
  setValue: UseFormSetValue<ReferenceInput>;
  register: UseFormRegister<ReferenceInput>;
  errors: FieldErrors<ReferenceInput>;
}) {
  const measures = MEASURES[role] ?? [];
  useEffect(() => {
    setValue(
      'components',
      (MEASURES[role] ?? []).map(([substance, unit]) => ({
        substance,
        unit: unit as '°C',
        value: '1',
        expanded: '',
        k: 2,
        table: '',
        corrections: '',
      })),
    );
  }, [role, setValue]);
  const problem = (index: number, name: 'expanded' | 'corrections') =>
    (errors.components?.[index]?.[name] as { message?: string } | undefined)?.message;
  return (
    <fieldset className="mt-2">
      <legend className="fs-6 fw-semibold">What its certificate states</legend>
      {measures.map(([substance, unit], index) => (
        <div key={substance} className="row g-3 align-items-start">
          <div className="col-sm-3">
            <Field label={`± U of ${substance}, ${unit} (k = 2)`} problem={problem(index, 'expanded')}>
              <Form.Control className="mono" inputMode="decimal" {...register(`components.${index}.expanded`)} />
            </Field>
          </div>
          <div className="col-sm-9">
            <Field
              label={`Corrections of ${substance}: a line each, the figure shown and what has to be added`}
              problem={problem(index, 'corrections')}
            >
              <Form.Control
                as="textarea"
                rows={2}
                className="mono"
                placeholder={'0 0.05\n25 -0.03\n50 -0.08'}
                {...register(`components.${index}.corrections`)}
              />
            </Field>
          </div>
        </div>
      ))}
    </fieldset>
  );
}
