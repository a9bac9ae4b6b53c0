'use server';
import { action } from '@/platform/action';
import { decideSchema, dropSchema, releaseSchema, saidSchema, suspectSchema } from './recall-schema';
import { decideRecall, dropSuspicion, keepRecallText, releaseRecall } from './server/end-suspicion';
import { suspect } from './server/suspect';

export const suspectAction = action(
  { name: 'suspect', permission: 'bench', schema: suspectSchema, audit: (input) => `${input.referenceId}: ${input.why}` },
  suspect,
);
export const decideRecallAction = action(
  {
    name: 'decideRecall',
    permission: 'approve',
    schema: decideSchema,
    audit: (input) => `${input.id}: ${input.runId} ${input.decision}`,
  },
  decideRecall,
);
export const keepRecallTextAction = action(
  { name: 'keepRecallText', permission: 'approve', schema: saidSchema, audit: (input) => input.id },
  keepRecallText,
);
export const dropSuspicionAction = action(
  { name: 'dropSuspicion', permission: 'approve', schema: dropSchema, audit: (input) => `${input.id}: ${input.why}` },
  dropSuspicion,
);
export const releaseRecallAction = action(
  { name: 'releaseRecall', permission: 'approve', signs: 'withdraw', schema: releaseSchema, audit: (input) => input.id },
  releaseRecall,
);
