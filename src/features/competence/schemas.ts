import * as yup from 'yup';
import { COMPETENCE_BASES } from '@/core/stored/competence';
import { say } from '@/core/words/say';
import '@/core/words/en/competence';

const day = () => yup.string().matches(/^\d{4}-\d{2}-\d{2}$/, say({ code: 'competence.noDay' }));
const why = () =>
  yup
    .string()
    .trim()
    .required(say({ code: 'competence.whyNeeded' }))
    .min(10, say({ code: 'competence.whyNeeded' }))
    .max(1000);

export const giveSchema = yup.object({
  person: yup.string().required(say({ code: 'competence.whoNeeded' })),
  procedure: yup
    .string()
    .max(80)
    .required(say({ code: 'competence.whatNeeded' })),
  basis: yup.string().oneOf(COMPETENCE_BASES).required(),
  why: why(),
  endsOn: day().required(say({ code: 'competence.noDay' })),
});
export const correctSchema = yup.object({
  id: yup.string().uuid().required(),
  why: why(),
  endsOn: day().required(say({ code: 'competence.noDay' })),
});
export const endSchema = yup.object({ id: yup.string().uuid().required(), reason: why() });
export const watchSchema = yup.object({ run: yup.string().uuid().required(), note: yup.string().trim().max(500).default('') });
export type GiveInput = yup.InferType<typeof giveSchema>;
