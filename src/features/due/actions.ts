'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { need } from '@/platform/need';
import { changePolicy } from './server/change-policy';
import { changeMany } from './server/intervals-of-many';
import { customersWithDue } from './server/due-list';
import { makeReminders } from './server/reminders';
import { asLetter, notePrinted, printAgain } from './server/letters';
import { sendAgain } from './server/outbox';
import { keepUse } from './server/uses';

const count = yup.number().typeError('A number.').integer('Whole numbers.').min(1).max(1200);

export const makeRemindersAction = action(
  {
    name: 'remind',
    permission: 'receive',
    schema: yup.object({ assetIds: yup.array(yup.string().uuid().required()).max(200).optional() }),
    audit: () => '',
  },
  makeReminders,
);
export const sendAgainAction = action(
  {
    name: 'sendAgain',
    permission: 'receive',
    schema: yup.object({ mailId: yup.string().uuid().required() }),
    audit: (input) => input.mailId,
  },
  ({ tx, actor }, input) => {
    need(actor, 'receive');
    return sendAgain(tx, input.mailId);
  },
);

export const notePrintedAction = action(
  {
    name: 'notePrinted',
    permission: 'receive',
    schema: yup.object({ mailIds: yup.array(yup.string().uuid().required()).min(1).max(200).required() }),
    audit: (input) => `${input.mailIds.length}`,
  },
  notePrinted,
);
export const asLetterAction = action(
  {
    name: 'asLetter',
    permission: 'receive',
    schema: yup.object({ mailId: yup.string().uuid().required() }),
    audit: (input) => input.mailId,
  },
  asLetter,
);
export const printAgainAction = action(
  {
    name: 'printAgain',
    permission: 'receive',
    schema: yup.object({ mailId: yup.string().uuid().required() }),
    audit: (input) => input.mailId,
  },
  printAgain,
);

const policySchema = yup.object({
  scope: yup
    .string()
    .oneOf(['asset', 'customerModel', 'customer', 'model'] as const)
    .required(),
  assetId: yup.string().uuid().optional(),
  customerId: yup.string().uuid().optional(),
  modelId: yup.string().uuid().optional(),
  count: count.nullable().default(null),
  uses: yup.number().typeError('A number.').integer('Whole numbers.').min(1).max(1_000_000).nullable().default(null),
  unit: yup
    .string()
    .oneOf(['days', 'months'] as const)
    .default('months'),
  reason: yup.string().trim().max(200).default(''),
});
export const changePolicyAction = action(
  {
    name: 'changePolicy',
    permission: 'bench',
    schema: policySchema,
    audit: 'none',
  },
  (context, input) =>
    changePolicy(context, {
      scope: input.scope,
      ...(input.assetId ? { assetId: input.assetId } : {}),
      ...(input.customerId ? { customerId: input.customerId } : {}),
      ...(input.modelId ? { modelId: input.modelId } : {}),
      every:
        input.count === null
          ? null
          : {
              ...(input.unit === 'days' ? { days: input.count } : { months: input.count }),
              ...(input.uses ? { uses: input.uses } : {}),
            },
      reason: input.reason,
    }),
);

export const changeManyAction = action(
  {
    name: 'changePolicies',
    permission: 'bench',
    schema: yup.object({
      assetIds: yup.array(yup.string().uuid().required()).min(1).max(200).required(),
      count: count.required('How often?'),
      unit: yup
        .string()
        .oneOf(['days', 'months'] as const)
        .default('months'),
      reason: yup.string().trim().max(200).default(''),
    }),
    audit: 'none',
  },
  (context, { assetIds, count: every, unit, reason }) =>
    changeMany(context, { assetIds, every: unit === 'days' ? { days: every } : { months: every }, reason }),
);

export const keepUseAction = action(
  {
    name: 'keepUse',
    permission: 'signedIn',
    schema: yup.object({
      assetId: yup.string().uuid().required(),
      readOn: yup
        .string()
        .matches(/^\d{4}-\d{2}-\d{2}$/, 'A day.')
        .required('A day.'),
      count: yup
        .number()
        .typeError('A whole number.')
        .integer('A whole number.')
        .min(0)
        .max(100_000_000)
        .nullable()
        .default(null),
    }),
    audit: 'none',
  },
  keepUse,
);
export const customersWithDueAction = action(
  {
    name: 'findCustomersWithDue',
    permission: 'signedIn',
    schema: yup.object({ text: yup.string().trim().max(80).default('') }),
    audit: 'none',
  },
  ({ tx }, { text }) => customersWithDue(tx, text),
);
