'use client';
import { useCallback, useState } from 'react';
import { useRouter } from 'next/navigation';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import Form from 'react-bootstrap/Form';
import type { Tag } from '@/core/instrument/said';
import { attempt } from '@/platform/client/result';
import { Field } from '@/ui/field';
import { addReferenceAction } from './actions';
import { EQUIPMENT_ROLES, referenceSchema, ROLE_NAME } from './shelf-schema';
import { TagReaderKey, type ReaderLine } from './tag-reader-key';

const COMPONENT = { substance: '', value: '', unit: 'ppm' as const, expanded: '', k: 2 };
const EMPTY = {
  kind: 'gas' as 'gas' | 'tool',
  role: '' as const,
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
  traceability: '',
  flowLPerMin: '',
  demand: false,
  components: [COMPONENT] as {
    substance: string;
    value: string;
    unit: '%vol' | 'ppm' | 'ppb' | '%LEL' | 'g/210 L';
    expanded: string;
    k: number;
  }[],
};

/** A new bottle or piece of equipment. A tag on the bottle fills the sheet; what it leaves open is typed. */
export function NewReference({ readers }: { readers: ReaderLine[] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState('');
  const form = useForm({ resolver: yupResolver(referenceSchema), defaultValues: EMPTY });
  const { register, control, handleSubmit, setError, reset } = form;
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
        components: tag.components.map((one) => ({ ...one, unit: one.unit as 'ppm' })),
      });
    },
    [reset],
  );
  const submit = handleSubmit(async (values) => {
    const answer = await attempt(() =>
      addReferenceAction({ ...values, components: values.kind === 'gas' ? values.components : [] }),
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
  const problem = (name: keyof typeof EMPTY) => (errors[name] as { message?: string } | undefined)?.message;
  const input = (
    name: Exclude<keyof typeof EMPTY, 'components' | 'demand' | 'role' | 'kind'>,
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
                <Form.Select {...register('kind')}>
                  <option value="gas">Gas bottle</option>
                  <option value="tool">Bench equipment</option>
                </Form.Select>
              </Field>
            </div>
            {kind === 'tool' && (
              <div className="col-sm-3">
                <Field label="What kind of equipment" problem={problem('role')}>
                  <Form.Select {...register('role')}>
                    <option value="">choose</option>
                    {EQUIPMENT_ROLES.map((one) => (
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
            {input('lot', kind === 'gas' ? 'Lot' : 'Serial', 3, true)}
            {input('partNumber', 'Part number', 3, true)}
            {input('fitting', 'Thread or fitting')}
            {input('expires', kind === 'gas' ? 'Good until (2027-06)' : 'Check due (2027-06-30)', 3, true)}
            {kind === 'gas' && (
              <>
                {input('waterVolumeL', 'Water volume, L', 3, true)}
                {input('pressureBar', 'Pressure, bar', 3, true)}
                {input('balance', 'Balance gas')}
              </>
            )}
            {role === ('regulator' as string) && (
              <>
                {input('flowLPerMin', 'Flow, L/min', 3, true)}
                <div className="col-sm-3 align-self-end">
                  <Form.Check id="demand" label="Gives what a pump demands" {...register('demand')} />
                </div>
              </>
            )}
            {input('price', 'Price', 3, true)}
            {input('certificate', 'Certificate', 3, true)}
            {input('traceability', 'Traceability', 6)}
          </div>
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
