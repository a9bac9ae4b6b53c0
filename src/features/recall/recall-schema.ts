import * as yup from 'yup';
import { DOUBT } from '@/core/stored/doubts';
import type { Doubt } from '@/core/results/suspicion';
import { say } from '@/core/words/say';
import '@/core/words/en/recall';

const id = () => yup.string().uuid().required();
const day = () =>
  yup
    .string()
    .matches(/^(\d{4}-\d{2}-\d{2})?$/)
    .transform((text: string) => text || undefined)
    .optional();
const words = (most: number) =>
  yup
    .string()
    .trim()
    .max(most, `At most ${most} characters.`)
    .required(() => say({ code: 'recall.needsWhy' }));

export const suspectSchema = yup.object({
  referenceId: id(),
  why: words(400),
  doubts: yup
    .array<Doubt>(DOUBT as never)
    .min(1, () => say({ code: 'recall.needsDoubt' }))
    .max(40)
    .required(),
  from: day(),
  to: day(),
});
export const decideSchema = yup.object({
  id: id(),
  runId: id(),
  decision: yup.string().oneOf(['withdraw', 'tell', 'keep']).required(),
});
export const saidSchema = yup.object({ id: id(), said: words(4000) });
export const dropSchema = yup.object({ id: id(), why: words(400) });
export const releaseSchema = yup.object({
  id: id(),
  password: yup.string().max(200).required('Type your password: it is your signature.'),
});
