import * as yup from 'yup';
import { NONCONFORMITY_KINDS, NONCONFORMITY_STEPS } from '@/core/record/nonconformity';
import { say } from '@/core/words/say';
import '@/core/words/en/register';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const id = () => yup.string().uuid().required();

export const enterSchema = yup.object({
  kind: yup.string().oneOf(NONCONFORMITY_KINDS).required(),
  what: text(2000).required(say({ code: 'register.needsWhat' })),
  serial: text(60).default(''),
});
export const stepSchema = yup.object({
  id: id(),
  step: yup.string().oneOf(NONCONFORMITY_STEPS).required(),
  choice: text(40).default(''),
  text: text(2000).required(say({ code: 'register.needsText' })),
  lookAgainOn: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/)
    .nullable()
    .default(null),
});
export const correctSchema = yup.object({
  id: id(),
  what: text(2000).required(say({ code: 'register.needsWhat' })),
  seen: yup.string().max(2000).defined(),
});
export const onEntrySchema = yup.object({ id: id() });
export const reopenSchema = yup.object({ id: id(), why: text(300).required(say({ code: 'register.needsText' })) });
