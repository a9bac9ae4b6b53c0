'use client';
import { useFieldArray, useWatch, type UseFormReturn } from 'react-hook-form';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import { Field } from '@/ui/field';
import { EquipmentFields } from './equipment-fields';
import { LIQUID_COMPONENT, LiquidFields } from './liquid-fields';
import { EQUIPMENT_ROLES, MEASURES, ROLE_NAME, SOLUTION_ROLES, type ReferenceInput } from './shelf-schema';

export const COMPONENT = { substance: '', value: '', unit: 'ppm' as const, expanded: '', k: 2, table: '', corrections: '' };
const CONTENT = ['gas', 'buffer', 'standard'];
/** A material states what it holds; a thermometer, barometer or hygrometer what its certificate says of its own figure. */
export const statesFigures = ({ kind, role }: ReferenceInput): boolean =>
  CONTENT.includes(kind) || (kind === 'tool' && Boolean(MEASURES[role]));

/** The fields of a bottle or a piece of equipment; `fixed`: what kind it is was said once and for all. */
export function ReferenceFields({ form, fixed = false }: { form: UseFormReturn<ReferenceInput>; fixed?: boolean }) {
  const { register, control, setValue } = form;
  const { errors } = form.formState;
  const { fields, append, remove } = useFieldArray({ control, name: 'components' });
  const [kind, role] = useWatch({ control, name: ['kind', 'role'] });
  const liquid = ['buffer', 'standard', 'solution'].includes(kind);
  const problem = (name: keyof ReferenceInput) => (errors[name] as { message?: string } | undefined)?.message;
  const input = (
    name: Exclude<keyof ReferenceInput, 'components' | 'demand' | 'singleDose' | 'role' | 'kind'>,
    label: string,
    width = 3,
    mono = false,
  ) => (
    <div className={`col-sm-${width}`}>
      <Field label={label} problem={problem(name)}>
        <Form.Control className={mono ? 'mono' : ''} {...register(name)} />
      </Field>
    </div>
  );
  return (
    <>
      <div className="row g-3">
        <div className="col-sm-3">
          <Field label="Kind">
            <Form.Select
              disabled={fixed}
              {...register('kind', {
                onChange: (event: { target: { value: string } }) =>
                  setValue('components', [['buffer', 'standard'].includes(event.target.value) ? LIQUID_COMPONENT : COMPONENT]),
              })}
            >
              <option value="gas">Gas bottle</option>
              <option value="buffer">Buffer</option>
              <option value="standard">Conductivity, ORP or ion standard</option>
              <option value="solution">Storage, cleaning, electrolyte, membranes</option>
              <option value="tool">Bench equipment</option>
            </Form.Select>
          </Field>
        </div>
        {(kind === 'tool' || kind === 'solution') && (
          <div className="col-sm-3">
            <Field label={kind === 'tool' ? 'What kind of equipment' : 'What for'} problem={problem('role')}>
              <Form.Select disabled={fixed} {...register('role')}>
                <option value="">choose</option>
                {(kind === 'tool' ? EQUIPMENT_ROLES : SOLUTION_ROLES).map((one) => (
                  <option key={one} value={one}>
                    {ROLE_NAME[one]}
                  </option>
                ))}
              </Form.Select>
            </Field>
          </div>
        )}
        {input('name', 'Name', 6)}
        {input('maker', 'Maker')}
        {input('lot', kind === 'tool' ? 'Serial' : 'Lot', 3, true)}
        {input('partNumber', 'Part number', 3, true)}
        {!liquid && input('fitting', 'Thread or fitting')}
        {input('expires', kind === 'tool' ? 'Check due (2027-06-30)' : 'Good until (2027-06)', 3, true)}
        {liquid && (
          <>
            {input('openedOn', 'Opened on (2026-11-26)', 3, true)}
            {input('lifeDays', 'Days good after opening', 3, true)}
            {input('volumeMl', 'Volume, mL', 3, true)}
            {input('doseMl', 'One dose, mL', 3, true)}
            {kind === 'buffer' && input('set', 'Set')}
            {kind !== 'solution' && input('nominal', 'Nominal', 3, true)}
            <div className="col-sm-3 align-self-end">
              <Form.Check id="single" label="Single doses (sachets)" {...register('singleDose')} />
            </div>
          </>
        )}
        {kind === 'gas' && (
          <>
            {input('waterVolumeL', 'Water volume, L', 3, true)}
            {input('pressureBar', 'Pressure, bar', 3, true)}
            {input('balance', 'Balance gas')}
          </>
        )}
        {role === 'regulator' && (
          <>
            {input('flowLPerMin', 'Flow, L/min', 3, true)}
            <div className="col-sm-3 align-self-end">
              <Form.Check id="demand" label="Gives what a pump demands" {...register('demand')} />
            </div>
          </>
        )}
        {input('price', 'Price', 3, true)}
        {input('certificate', 'Certificate', 3, true)}
        {input('issuer', 'Issued by', 3)}
        {input('traceability', 'Traceability', 6)}
        {kind !== 'tool' && kind !== 'solution' && (
          <div className="col-md-6">
            <Form.Check
              id="stability"
              label="Its certificate vouches for the value over the whole shelf life"
              {...register('stabilityIncluded')}
            />
          </div>
        )}
      </div>
      {kind === 'tool' && MEASURES[role] && (
        <EquipmentFields role={role} setValue={setValue} register={register} errors={errors} />
      )}
      {(kind === 'buffer' || kind === 'standard') && (
        <LiquidFields kind={kind} control={control} register={register} errors={errors} />
      )}
      {kind === 'gas' && (
        <fieldset className="mt-2">
          <legend className="fs-6 fw-semibold">Components</legend>
          {fields.map((field, index) => (
            <div key={field.id} className="d-flex flex-wrap gap-2 mb-1 align-items-start">
              <Form.Control
                style={{ width: '8rem' }}
                aria-label={`Substance ${index + 1}`}
                placeholder="H2S"
                {...register(`components.${index}.substance`)}
              />
              <Form.Control
                style={{ width: '7rem' }}
                className="mono"
                aria-label={`Value ${index + 1}`}
                placeholder="25.0"
                {...register(`components.${index}.value`)}
              />
              <Form.Select style={{ width: '7rem' }} aria-label={`Unit ${index + 1}`} {...register(`components.${index}.unit`)}>
                {['%vol', 'ppm', 'ppb', '%LEL', 'g/210 L'].map((unit) => (
                  <option key={unit}>{unit}</option>
                ))}
              </Form.Select>
              <Form.Control
                style={{ width: '7rem' }}
                className="mono"
                aria-label={`± U ${index + 1}`}
                placeholder="± 0.5"
                {...register(`components.${index}.expanded`)}
              />
              <Button variant="plain" size="sm" onClick={() => remove(index)}>
                Leave out
              </Button>
              {errors.components?.[index] && (
                <span className="field-problem" role="alert">
                  {Object.values(errors.components[index])
                    .map((one) => (one as { message?: string }).message)
                    .filter(Boolean)
                    .join(' ')}
                </span>
              )}
            </div>
          ))}
          <Button variant="plain" size="sm" onClick={() => append(COMPONENT)}>
            Another component
          </Button>
        </fieldset>
      )}
    </>
  );
}
