'use server';
import { action } from '@/platform/action';
import { copySchema, endSchema, keepDraftSchema, oneSchema, recallSchema, releaseSchema, takeSchema } from './procedure-schema';
import { copyProcedure, endProcedure, keepDraft, reviseProcedure, takeProcedure } from './server/keep-procedure';
import { recallProcedure, releaseProcedure } from './server/release-procedure';
import { askWalk } from './server/walk-draft';

const permission = 'bench';

export const copyProcedureAction = action(
  { name: 'copyProcedure', permission, schema: copySchema, audit: (input) => `${input.procedureId} as ${input.title}` },
  copyProcedure,
);
export const takeProcedureAction = action(
  { name: 'takeProcedure', permission, schema: takeSchema, audit: () => 'from a file' },
  takeProcedure,
);
export const keepDraftAction = action(
  { name: 'keepDraft', permission, schema: keepDraftSchema, audit: (input) => input.procedureId },
  keepDraft,
);
export const reviseProcedureAction = action(
  { name: 'reviseProcedure', permission, schema: oneSchema, audit: (input) => input.procedureId },
  reviseProcedure,
);
export const endProcedureAction = action(
  { name: 'endProcedure', permission, schema: endSchema, audit: (input) => `${input.procedureId}: ${input.why}` },
  endProcedure,
);
export const askWalkAction = action(
  { name: 'askWalk', permission, schema: oneSchema, audit: (input) => input.procedureId },
  askWalk,
);
export const releaseProcedureAction = action(
  {
    name: 'releaseProcedure',
    permission: 'approve',
    schema: releaseSchema,
    audit: (input) => `${input.procedureId}: ${input.note}`,
  },
  releaseProcedure,
);
export const recallProcedureAction = action(
  {
    name: 'recallProcedure',
    permission: 'approve',
    schema: recallSchema,
    audit: (input) => `${input.procedureId}: ${input.why}`,
  },
  recallProcedure,
);
