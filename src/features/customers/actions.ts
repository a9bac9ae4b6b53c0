'use server';
import { action } from '@/platform/action';
import { need } from '@/platform/need';
import {
  blankSchema,
  contactSchema,
  correctSchema,
  customerSchema,
  endSchema,
  mergeSchema,
  onContactSchema,
  onSiteSchema,
  onToleranceSchema,
  siteSchema,
  toleranceSchema,
  typedSchema,
  undoSchema,
} from './customer-schema';
import { blankPerson } from './server/blank-person';
import { retireCustomer, takeBackCustomer } from './server/end-customer';
import { correctCustomer, createCustomer, dropContact, keepContact } from './server/keep-customer';
import { endSite, keepSite } from './server/keep-site';
import { endTolerance, keepTolerance } from './server/keep-tolerance';
import { customersLike } from './server/list-customers';
import { mergeCustomers, undoMerge } from './server/merge';

const permission = 'receive';

export const createCustomerAction = action(
  { name: 'createCustomer', permission, schema: customerSchema, audit: (input) => input.name },
  createCustomer,
);
export const correctCustomerAction = action(
  { name: 'correctCustomer', permission, schema: correctSchema, audit: (input) => input.customerId },
  correctCustomer,
);
export const customersLikeAction = action(
  { name: 'customersLike', permission, schema: typedSchema, audit: 'none' },
  ({ tx, actor }, input) => {
    need(actor, permission);
    return customersLike(tx, input);
  },
);
export const keepContactAction = action(
  {
    name: 'keepContact',
    permission,
    schema: contactSchema,
    audit: (input) => `${input.customerId}: ${input.purposes.join(', ')}`,
  },
  keepContact,
);
export const dropContactAction = action(
  { name: 'dropContact', permission, schema: onContactSchema, audit: (input) => input.contactId },
  dropContact,
);
export const retireCustomerAction = action(
  { name: 'retireCustomer', permission, schema: endSchema, audit: (input) => `${input.customerId}: ${input.why}` },
  retireCustomer,
);
export const takeBackCustomerAction = action(
  { name: 'takeBackCustomer', permission, schema: endSchema, audit: (input) => `${input.customerId}: ${input.why}` },
  takeBackCustomer,
);
export const mergeCustomersAction = action(
  { name: 'mergeCustomers', permission, schema: mergeSchema, audit: (input) => `${input.gone} into ${input.stays}` },
  mergeCustomers,
);
export const undoMergeAction = action(
  { name: 'undoMerge', permission, schema: undoSchema, audit: (input) => input.mergeId },
  undoMerge,
);
export const keepSiteAction = action(
  { name: 'keepSite', permission, schema: siteSchema, audit: (input) => `${input.customerId}: ${input.name}` },
  keepSite,
);
export const endSiteAction = action(
  { name: 'endSite', permission, schema: onSiteSchema, audit: (input) => input.siteId },
  endSite,
);
export const keepToleranceAction = action(
  {
    name: 'keepTolerance',
    permission,
    schema: toleranceSchema,
    audit: (input) => `${input.customerId}: ${input.modelId}, ${input.role}`,
  },
  keepTolerance,
);
export const endToleranceAction = action(
  { name: 'endTolerance', permission, schema: onToleranceSchema, audit: (input) => input.toleranceId },
  endTolerance,
);
export const blankPersonAction = action(
  {
    name: 'blankPerson',
    permission,
    schema: blankSchema,
    audit: (input) => `${input.customerId}, contact ${input.contactId ?? 'of the customer itself'}: ${input.why}`,
  },
  blankPerson,
);
