'use server';
import { action } from '@/platform/action';
import { dropTerms, keepTerms } from './server/keep-terms';
import { nameSchema, termsSchema } from './terms-schema';

export const keepTermsAction = action(
  { name: 'keepTerms', permission: 'signedIn', schema: termsSchema, audit: (input) => input.name },
  keepTerms,
);
export const dropTermsAction = action(
  { name: 'dropTerms', permission: 'signedIn', schema: nameSchema, audit: (input) => input.name },
  dropTerms,
);
