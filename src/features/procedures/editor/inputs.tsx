'use client';
import FormCheck from 'react-bootstrap/FormCheck';
import FormControl from 'react-bootstrap/FormControl';
import FormSelect from 'react-bootstrap/FormSelect';
import { Field } from '@/ui/field';

/** An optional text: empty takes the part away. */
export function TextIn({
  label,
  value,
  rows = 1,
  change,
}: {
  label: string;
  value: string | undefined;
  rows?: number;
  change: (value: string | undefined) => void;
}) {
  return (
    <Field label={label}>
      <FormControl
        {...(rows > 1 ? { as: 'textarea' as const, rows } : {})}
        value={value ?? ''}
        onChange={(event) => change(event.target.value === '' ? undefined : event.target.value)}
      />
    </Field>
  );
}

/** A whole number; empty takes it away. */
export function NumberIn({
  label,
  value,
  change,
}: {
  label: string;
  value: number | undefined;
  change: (value: number | undefined) => void;
}) {
  return (
    <Field label={label}>
      <FormControl
        type="number"
        min={0}
        step={1}
        style={{ width: '9rem' }}
        value={value ?? ''}
        onChange={(event) => change(event.target.value === '' ? undefined : Math.max(0, Math.round(Number(event.target.value))))}
      />
    </Field>
  );
}

export function ChoiceIn<T extends string>({
  label,
  value,
  choices,
  change,
}: {
  label: string;
  value: T;
  choices: readonly (readonly [T, string])[];
  change: (value: T) => void;
}) {
  return (
    <Field label={label}>
      <FormSelect value={value} onChange={(event) => change(event.target.value as T)}>
        {choices.map(([id, text]) => (
          <option key={id} value={id}>
            {text}
          </option>
        ))}
      </FormSelect>
    </Field>
  );
}

/** Several of a list, in the list's own order. */
export function ManyIn<T extends string>({
  label,
  values,
  choices,
  change,
}: {
  label: string;
  values: readonly T[];
  choices: readonly (readonly [T, string])[];
  change: (values: T[]) => void;
}) {
  return (
    <fieldset className="mb-2">
      <legend className="form-label fs-6 mb-1">{label}</legend>
      <div className="d-flex flex-wrap gap-3">
        {choices.map(([id, text]) => (
          <FormCheck
            key={id}
            id={`${label}-${id}`}
            label={text}
            checked={values.includes(id)}
            onChange={(event) =>
              change(choices.map(([one]) => one).filter((one) => (one === id ? event.target.checked : values.includes(one))))
            }
          />
        ))}
      </div>
    </fieldset>
  );
}

export function YesIn({ label, value, change }: { label: string; value: boolean; change: (value: boolean) => void }) {
  return (
    <FormCheck
      className="mb-2"
      id={`yes-${label}`}
      label={label}
      checked={value}
      onChange={(event) => change(event.target.checked)}
    />
  );
}
