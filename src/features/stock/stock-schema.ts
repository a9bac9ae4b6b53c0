import * as yup from 'yup';
import { SPARE_KINDS } from '@/core/supply/spare';

const id = yup.string().uuid().required();
const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`).default('');
const why = 'Say in a few words why.';
const reason = yup.string().trim().max(300, 'At most 300 characters.').min(3, why).required(why);
const pieces = yup.number().typeError('How many.').integer('Whole pieces.');
const day = yup.string().matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'A day.', excludeEmptyString: true });

export const spareSchema = yup.object({
  itemId: yup.string().uuid().optional(),
  version: yup.number().integer().min(1).optional(),
  kind: yup
    .string()
    .oneOf([...SPARE_KINDS])
    .required(),
  name: yup.string().trim().min(2, 'Say what it is.').max(120, 'At most 120 characters.').required('Say what it is.'),
  partNumber: text(60),
  serial: text(60),
  shelfUntil: day
    .nullable()
    .default(null)
    .transform((value: string | null) => value || null),
  place: text(60),
  quantity: pieces
    .min(0, 'None, or more.')
    .max(100_000)
    .required('How many.')
    .when('serial', {
      is: (serial: string) => Boolean(serial),
      then: (schema) => schema.max(1, 'What has a serial is there once.'),
    }),
});
export type SpareInput = yup.InferType<typeof spareSchema>;
export const endSpareSchema = yup.object({ itemId: id, why: reason });
export const useSpareSchema = yup.object({
  ticketId: id,
  itemId: yup.string().uuid().required('Which spare?'),
  quantity: pieces.min(1, 'At least one.').required('How many.'),
});
export const takeBackSpareSchema = yup.object({ useId: id, why: reason });

export const forLoanSchema = yup.object({ assetId: id, forLoan: yup.boolean().required() });
export const lendSchema = yup.object({
  assetId: yup.string().uuid().required('Which instrument?'),
  customerId: yup.string().uuid().required('To whom?'),
  ticketId: yup.string().uuid().nullable().default(null),
  dueBack: day.required('Until when?').min(10, 'Until when?'),
  contact: text(120),
  note: text(300),
});
export type LendInput = yup.InferType<typeof lendSchema>;
export const changeLoanSchema = yup.object({
  loanId: id,
  dueBack: day.required('Until when?').min(10, 'Until when?'),
  contact: text(120),
  note: text(300),
});
export type ChangeLoanInput = yup.InferType<typeof changeLoanSchema>;
export const backSchema = yup.object({ loanId: id, fault: text(300) });
