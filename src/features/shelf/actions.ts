'use server';
import { action } from '@/platform/action';
import { addReference, noteCheck } from './server/change-shelf';
import { correctReference } from './server/correct-reference';
import { checkSchema, correctionSchema, referenceSchema } from './shelf-schema';

export const addReferenceAction = action(
  { name: 'addReference', permission: 'bench', schema: referenceSchema, audit: (input) => `${input.name} ${input.lot}` },
  addReference,
);
export const noteCheckAction = action(
  {
    name: 'noteCheck',
    permission: 'bench',
    schema: checkSchema,
    audit: (input) => `${input.id} ${input.what} ${input.value}${input.result}`,
  },
  noteCheck,
);
export const correctReferenceAction = action(
  { name: 'correctReference', permission: 'bench', schema: correctionSchema, audit: ({ id, why }) => `${id}: ${why}` },
  correctReference,
);
