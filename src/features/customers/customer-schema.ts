import * as yup from 'yup';
import { LANGUAGES, say } from '@/core/words/say';
import { DECISION_RULES } from '@/core/uncertainty/decide';
import { CONTACT_PURPOSES } from '@/core/stored/house';
import '@/core/words/en/customers';

const text = (most: number) => yup.string().trim().max(most, `At most ${most} characters.`);
const isMail = (value: string | undefined) => !value || yup.string().email().isValidSync(value);
const mail = () =>
  text(160)
    .default('')
    .test('email', say({ code: 'contact.noMail' }), isMail);
const id = () => yup.string().uuid().required();
const why = () => text(300).required('Say in a few words why.').min(3, 'Say in a few words why.');

export const customerSchema = yup.object({
  name: text(120).required('The customer’s name is needed.'),
  address: text(300).default(''),
  contact: text(120).default(''),
  email: mail(),
  phone: text(60).default(''),
  notes: text(2000).default(''),
  wantsReminders: yup.boolean().default(true),
  agreesDue: yup.boolean().default(false),
  rule: yup.string().oneOf(DECISION_RULES).optional(),
  annexBudgets: yup.boolean().optional(),
  annexTraces: yup.boolean().optional(),
  wantsCertificates: yup.boolean().optional(),
  bumpEveryDays: yup
    .number()
    .transform((value: number, typed: unknown) => (typed === '' ? null : value))
    .typeError(say({ code: 'customer.bumpDays' }))
    .integer(say({ code: 'customer.bumpDays' }))
    .min(1, say({ code: 'customer.bumpDays' }))
    .max(366, say({ code: 'customer.bumpDays' }))
    .nullable()
    .optional(),
  language: yup.string().oneOf(LANGUAGES).optional(),
});
export type CustomerInput = yup.InferType<typeof customerSchema>;

export const correctSchema = customerSchema.shape({
  customerId: id(),
  /** The version that was on the screen. */
  version: yup.number().integer().min(1).required(),
});
export type CorrectInput = yup.InferType<typeof correctSchema>;

export const contactSchema = yup.object({
  customerId: id(),
  contactId: yup.string().uuid().optional(),
  name: text(120).required(say({ code: 'contact.needsName' })),
  email: mail().test('needed', say({ code: 'contact.needsMail' }), function (value) {
    return Boolean(value) || !(this.parent as { purposes?: string[] }).purposes?.includes('reminders');
  }),
  phone: text(60).default(''),
  purposes: yup
    .array()
    .of(
      yup
        .string()
        .oneOf([...CONTACT_PURPOSES])
        .required(),
    )
    .max(CONTACT_PURPOSES.length)
    .default([]),
});
export type ContactInput = yup.InferType<typeof contactSchema>;

export const siteSchema = yup.object({
  customerId: id(),
  siteId: yup.string().uuid().optional(),
  name: text(80).required(say({ code: 'site.needsName' })),
  address: text(300).default(''),
});
export type SiteInput = yup.InferType<typeof siteSchema>;
export const onSiteSchema = yup.object({ siteId: id() });

const decimal = () =>
  yup
    .string()
    .transform((given: string | undefined) => (given === '' ? undefined : given?.trim().replace(',', '.')))
    .matches(/^\d{1,6}(\.\d{1,6})?$/, say({ code: 'agreed.noFigure' }))
    .optional();
export const toleranceSchema = yup.object({
  customerId: id(),
  modelId: id(),
  role: text(40).required(),
  tolerance: yup.object({ absolute: decimal(), percentOfTarget: decimal(), zero: decimal() }).required(),
  agreedOn: yup
    .string()
    .matches(/^\d{4}-\d{2}-\d{2}$/, say({ code: 'agreed.needsDay' }))
    .required(say({ code: 'agreed.needsDay' })),
  agreedWith: text(120).required(say({ code: 'agreed.needsWhom' })),
});
export type ToleranceInput = yup.InferType<typeof toleranceSchema>;
export const onToleranceSchema = yup.object({ toleranceId: id() });

export const onContactSchema = yup.object({ contactId: id() });
/** `contactId` left out: the contact that stands with the customer itself. */
export const blankSchema = yup.object({ customerId: id(), contactId: yup.string().uuid().optional(), why: why() });
export const endSchema = yup.object({ customerId: id(), why: why() });
export const mergeSchema = yup.object({ stays: id(), gone: id(), why: text(300).default('') });
export const undoSchema = yup.object({ mergeId: id() });
export const typedSchema = yup.object({ text: text(120).default(''), except: yup.string().uuid().optional() });
