import * as yup from 'yup';
import { SERVICES } from '@/core/instrument/service';
import { POSITION } from '@/core/stored/positions';
import { POSITION_KINDS, type Position } from '@/core/money/position';

const id = yup.string().uuid().required();
const why = 'Say in a few words why.';
const reason = yup.string().trim().max(300).min(3, why).required(why);

export const priceSchema = yup.object({
  priceId: yup.string().uuid().optional(),
  version: yup.number().integer().min(1).optional(),
  what: yup
    .string()
    .oneOf([...POSITION_KINDS])
    .required(),
  service: yup
    .string()
    .oneOf([...SERVICES])
    .nullable()
    .default(null)
    .when('what', { is: 'service', then: (schema) => schema.required('Which service?').nonNullable() }),
  name: yup.string().trim().min(2, 'Say what it is.').max(200).required('Say what it is.'),
  partNumber: yup.string().trim().max(60).default(''),
  amount: yup
    .string()
    .trim()
    .matches(/^\d{1,9}(\.\d{1,2})?$/, 'An amount with at most two places: 85 or 12.50.')
    .required('What it costs.'),
});
export type PriceInput = yup.InferType<typeof priceSchema>;
export const endPriceSchema = yup.object({ priceId: id, why: reason });

export const positionSchema = yup.object({ ticketId: id, position: (POSITION as yup.ObjectSchema<Position>).required() });
export const strikePositionSchema = yup.object({ positionId: id, why: reason });

export const offerSchema = yup.object({
  ticketId: id,
  finding: yup.string().trim().min(3, 'Say what was found.').max(600).required('Say what was found.'),
  positions: yup
    .array((POSITION as yup.ObjectSchema<Position>).required())
    .min(1, 'At least one line.')
    .max(40)
    .required('At least one line.'),
});
export const mailOfferSchema = yup.object({
  offerId: id,
  to: yup.string().trim().required('To which address?').email('This is no mail address.').max(160),
});
export const HOWS = ['telephone', 'mail', 'counter'] as const;
export const answerSchema = yup.object({
  offerId: id,
  answer: yup.string().oneOf(['accepted', 'declined', 'withdrawn']).required(),
  by: yup
    .string()
    .trim()
    .max(120)
    .default('')
    .when('answer', { is: (answer: string) => answer !== 'withdrawn', then: (schema) => schema.min(2, 'Say who said so.') }),
  how: yup
    .string()
    .oneOf([...HOWS])
    .default('telephone'),
});
