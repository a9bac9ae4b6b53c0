import * as yup from 'yup';
import { SUPPLIER_VERDICTS } from '@/core/stored/supplier-verdict';
import { say } from '@/core/words/say';
import '@/core/words/en/suppliers';

export const reviewSchema = yup.object({
  supplier: yup
    .string()
    .trim()
    .required(say({ code: 'supplier.nameNeeded' }))
    .max(120),
  verdict: yup.string().oneOf(SUPPLIER_VERDICTS).required(),
  why: yup
    .string()
    .trim()
    .required(say({ code: 'supplier.whyNeeded' }))
    .min(10, say({ code: 'supplier.whyNeeded' }))
    .max(1000),
  reviewBy: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, { message: say({ code: 'supplier.noDay' }), excludeEmptyString: true })
    .default(''),
});
export type ReviewInput = yup.InferType<typeof reviewSchema>;
