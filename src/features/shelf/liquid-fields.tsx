'use client';
import { useFieldArray, type Control, type FieldErrors, type UseFormRegister } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Field } from '@/ui/field';
import { LIQUIDS, type ReferenceInput } from './shelf-schema';

export const LIQUID_COMPONENT = { substance: '', value: '', unit: 'pH' as const, expanded: '', k: 2, table: '', corrections: '' };

/** Buffers and standards: what is in it, each with its own temperature table, typed or pasted; life after opening, doses. */
export function LiquidFields({
  kind,
  control,
  register,
  errors,
}: {
  kind: 'buffer' | 'standard';
  control: Control<ReferenceInput>;
  register: UseFormRegister<ReferenceInput>;
  errors: FieldErrors<ReferenceInput>;
}) {
  const { fields, append, remove } = useFieldArray({ control, name: 'components' });
  const problem = (index: number, name: 'substance' | 'value' | 'expanded' | 'table') =>
    (errors.components?.[index]?.[name] as { message?: string } | undefined)?.message;
  return (
    <fieldset className="mt-2">
      <legend className="fs-6 fw-semibold">What it is, at 25 °C</legend>
      {fields.map((field, index) => (
        <div key={field.id} className="row g-3 align-items-start">
          <div className="col-sm-3">
            <Field label="Substance" problem={problem(index, 'substance')}>
              <Form.Select {...register(`components.${index}.substance`)}>
                <option value="">choose</option>
                {LIQUIDS[kind].map(({ substance, name }) => (
                  <option key={substance} value={substance}>
                    {name}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
          <div className="col-sm-2">
            <Field label="Value" problem={problem(index, 'value')}>
              <Form.Control className="mono" {...register(`components.${index}.value`)} />
            </Field>
          </div>
          <div className="col-sm-2">
            <Field label="Unit">
              <Form.Select {...register(`components.${index}.unit`)}>
                {['pH', 'µS/cm', 'mS/cm', 'mV', 'mg/L'].map((unit) => (
                  <option key={unit}>{unit}</option>
                ))}
              </Form.Select>
            </Field>
          </div>
          <div className="col-sm-2">
            <Field label="± U (k = 2)" problem={problem(index, 'expanded')}>
              <Form.Control className="mono" {...register(`components.${index}.expanded`)} />
            </Field>
          </div>
          <div className="col-sm-3">
            <Field label="Its own table" help="°C and value a line; empty: the usual one" problem={problem(index, 'table')}>
              <Form.Control
                as="textarea"
                rows={3}
                className="mono"
                placeholder={'20; 7.02\n25; 7.00'}
                {...register(`components.${index}.table`)}
              />
            </Field>
          </div>
          {fields.length > 1 && (
            <div className="col-12">
              <Button variant="plain" size="sm" onClick={() => remove(index)}>
                Leave out
              </Button>
            </div>
          )}
        </div>
      ))}
      {kind === 'standard' && (
        <Button variant="plain" size="sm" onClick={() => append(LIQUID_COMPONENT)}>
          A second quantity in the same bottle
        </Button>
      )}
    </fieldset>
  );
}
