import * as yup from 'yup';
import { SERVICES } from '@/core/instrument/service';

const why = 'Say in a few words why.';
export const ticketChangeSchema = yup.object({
  ticketId: yup.string().uuid().required(),
  service: yup
    .string()
    .oneOf([...SERVICES])
    .required(),
  promiseOn: yup
    .string()
    .nullable()
    .default(null)
    .transform((value: string | null) => value || null)
    .matches(/^\d{4}-\d{2}-\d{2}$/, { message: 'A date.', excludeEmptyString: true }),
  note: yup.string().trim().max(500, 'At most 500 characters.').default(''),
  dueAgreed: yup.boolean().default(false),
});
export type TicketChange = yup.InferType<typeof ticketChangeSchema>;

export const ticketEndSchema = yup.object({
  ticketId: yup.string().uuid().required(),
  why: yup.string().trim().min(3, why).max(300, 'At most 300 characters.').required(why),
});
