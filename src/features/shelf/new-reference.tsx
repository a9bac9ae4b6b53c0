'use client';
import { useCallback, useState } from 'react';
import { useRouter } from 'next/navigation';
import { useForm, type Resolver } from 'react-hook-form';
import { yupResolver } from '@hookform/resolvers/yup';
import Button from 'react-bootstrap/Button';
import type { Tag } from '@/core/live/said';
import { say } from '@/core/words/say';
import { attempt } from '@/platform/client/result';
import { addReferenceAction } from './actions';
import { COMPONENT, ReferenceFields, statesFigures } from './reference-fields';
import { referenceSchema, type ReferenceInput } from './shelf-schema';
import { TagReaderKey, type ReaderLine } from './tag-reader-key';
import '@/core/words/en/shelf';

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
/** A new bottle or piece of equipment. A tag on the bottle fills the sheet; what it leaves open is typed. */
export function NewReference({ readers }: { readers: ReaderLine[] }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [message, setMessage] = useState('');
  const form = useForm<ReferenceInput>({
    resolver: yupResolver(referenceSchema) as Resolver<ReferenceInput>,
    defaultValues: EMPTY,
  });
  const { handleSubmit, setError, reset } = form;
  const { isSubmitting } = form.formState;
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
  return (
    <div className="mb-3">
      <div className="d-flex flex-wrap gap-2 align-items-center">
        <Button variant={open ? 'plain' : 'primary'} aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Cancel' : 'Put something on the shelf'}
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
          <ReferenceFields form={form} />
          <Button type="submit" className="mt-3" disabled={isSubmitting}>
            {say({ code: 'shelf.put' })}
          </Button>
        </form>
      )}
    </div>
  );
}
