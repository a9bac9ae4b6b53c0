'use client';
import { useCallback, useState } from 'react';
import { useRouter } from 'next/navigation';
import { useFieldArray, useForm, useWatch, type Resolver } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Tag } from '@/core/live/said';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { addReferenceAction } from './actions';
import { LIQUID_COMPONENT, LiquidFields } from './liquid-fields';
import { EquipmentFields } from './equipment-fields';
import { EQUIPMENT_ROLES, MEASURES, referenceSchema, ROLE_NAME, SOLUTION_ROLES, type ReferenceInput } from './shelf-schema';
import { TagReaderKey, type ReaderLine } from './tag-reader-key';

const COMPONENT = { substance: '', value: '', unit: 'ppm' as const, expanded: '', k: 2, table: '', corrections: '' };
const EMPTY: ReferenceInput = {
  kind: 'gas',
  role: '',
  name: '',
  maker: '',
  lot: '',
  partNumber: '',
  fitting: '',
  expires: '',
  waterVolumeL: '',
  pressureBar: '',
  price: '',
  balance: '',
  certificate: '',
  issuer: '',
  traceability: '',
  stabilityIncluded: false,
  flowLPerMin: '',
  demand: false,
  components: [COMPONENT],
  set: '',
  nominal: '',
  openedOn: '',
  lifeDays: '',
  volumeMl: '',
  doseMl: '',
  singleDose: false,
};
const CONTENT = ['gas', 'buffer', 'standard'];
/** A material states what it holds; a thermometer, barometer or hygrometer what its certificate says of its own figure. */
const statesFigures = ({ kind, role }: ReferenceInput): boolean =>
  CONTENT.includes(kind) || (kind === 'tool' && Boolean(MEASURES[role]));

/** A new bottle or piece of equipment. A tag on the bottle fills the sheet; what it leaves open is typed. */
export function NewReference({ readers }: { readers: ReaderLine[] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState('');
  const form = useForm<ReferenceInput>({
    resolver: yupResolver(referenceSchema) as Resolver<ReferenceInput>,
    defaultValues: EMPTY,
  });
  const { register, control, handleSubmit, setError, reset, setValue } = form;
  const { errors, isSubmitting } = form.formState;
  const { fields, append, remove } = useFieldArray({ control, name: 'components' });
  const [kind, role] = useWatch({ control, name: ['kind', 'role'] });
  const take = useCallback(
    (tag: Tag) => {
      setOpen(true);
      setMessage(`Read off the tag of lot ${tag.lot}. Look at it, add the price, put it on the shelf.`);
      reset({
        ...EMPTY,
        name: tag.name,
        maker: tag.maker ?? '',
        lot: tag.lot,
        partNumber: tag.partNumber ?? '',
        fitting: tag.fitting ?? '',
        expires: tag.expires,
        waterVolumeL: tag.waterVolumeL ?? '',
        pressureBar: tag.pressureBar ?? '',
        balance: tag.balance ?? '',
        certificate: tag.certificate ?? '',
        components: tag.components.map(({ substance, value, unit, expanded, k }) => ({
          substance,
          value,
          unit: unit as 'ppm',
          expanded,
          k,
          table: '',
          corrections: '',
        })),
      });
    },
    [reset],
  );
  const submit = handleSubmit(async (values) => {
    const answer = await attempt(() =>
      addReferenceAction({ ...values, components: statesFigures(values) ? values.components : [] }),
    );
    if (answer.ok) {
      reset(EMPTY);
      setOpen(false);
      router.push(`/shelf/${answer.value.id}`);
      return;
    }
    Object.entries(answer.fields).forEach(([name, text]) => setError(name as 'lot', { message: text }));
    setMessage(answer.message);
  });
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
    <div className="mb-3">
      <div className="d-flex flex-wrap gap-2 align-items-center">
        <Button variant={open ? 'plain' : 'primary'} aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Leave it' : 'Put something on the shelf'}
        </Button>
        <TagReaderKey readers={readers} onTag={take} />
      </div>
      {open && (
        <form className="sheet mt-3" onSubmit={submit} noValidate>
          {message && (
            <p className="notice" role="status">
              {message}
            </p>
          )}
          <div className="row g-3">
            <div className="col-sm-3">
              <Field label="Kind">
                <Form.Select
                  {...register('kind', {
                    onChange: (event: { target: { value: string } }) =>
                      setValue('components', [
                        ['buffer', 'standard'].includes(event.target.value) ? LIQUID_COMPONENT : COMPONENT,
                      ]),
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
                  <Form.Select {...register('role')}>
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
                  <Form.Select
                    style={{ width: '7rem' }}
                    aria-label={`Unit ${index + 1}`}
                    {...register(`components.${index}.unit`)}
                  >
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
          <Button type="submit" className="mt-3" disabled={isSubmitting}>
            Put it on the shelf
          </Button>
        </form>
      )}
    </div>
  );
}
