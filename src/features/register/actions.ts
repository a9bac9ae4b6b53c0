'use server';
import { action } from '@/platform/action';
import { correctSchema, enterSchema, onEntrySchema, reopenSchema, stepSchema } from './register-schema';
import {
  closeNonconformity,
  correctNonconformity,
  enterNonconformity,
  noteStep,
  reopenNonconformity,
} from './server/keep-register';

export const enterNonconformityAction = action(
  { name: 'enterNonconformity', permission: 'receive', schema: enterSchema, audit: (input) => input.kind },
  enterNonconformity,
);
export const correctNonconformityAction = action(
  { name: 'correctNonconformity', permission: 'bench', schema: correctSchema, audit: (input) => input.id },
  correctNonconformity,
);
export const noteStepAction = action(
  { name: 'noteStep', permission: 'bench', schema: stepSchema, audit: (input) => `${input.id}: ${input.step}` },
  noteStep,
);
export const closeNonconformityAction = action(
  { name: 'closeNonconformity', permission: 'approve', schema: onEntrySchema, audit: (input) => input.id },
  closeNonconformity,
);
export const reopenNonconformityAction = action(
  { name: 'reopenNonconformity', permission: 'approve', schema: reopenSchema, audit: (input) => `${input.id}: ${input.why}` },
  reopenNonconformity,
);
