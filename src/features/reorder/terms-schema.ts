import * as yup from 'yup';
import { say } from '@/core/words/say';
import '@/core/words/en/reorder';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`).default('');
/** A figure above nought, or nothing. */
const figure = (code: 'reorder.needsHolds' | 'reorder.needsPrice') =>
  yup
    .string()
    .transform((typed: unknown) => (typeof typed === 'string' ? typed.trim().replace(',', '.') : typed))
    .matches(/^(\d{1,7}(\.\d{1,3})?)?$/, () => say({ code }))
    .default('');

export const termsSchema = yup.object({
  name: yup.string().trim().min(1).max(120).required(),
  supplier: text(120),
  partNumber: text(60),
  leadDays: yup
    .number()
    .typeError(() => say({ code: 'reorder.needsDays' }))
    .integer(() => say({ code: 'reorder.needsDays' }))
    .min(0)
    .max(730)
    .required(),
  holds: figure('reorder.needsHolds').test(
    'above',
    () => say({ code: 'reorder.needsHolds' }),
    (value) => value === '' || Number(value) > 0,
  ),
  price: figure('reorder.needsPrice'),
});
export const nameSchema = yup.object({ name: yup.string().trim().min(1).max(120).required() });
