'use server';
import { action } from '@/platform/action';
import { correctSchema, endSchema, giveSchema, watchSchema } from './schemas';
import { correctCompetence, endCompetence, giveCompetence } from './server/give-competence';
import { watchRun } from './server/watch-run';

export const giveCompetenceAction = action(
  {
    name: 'giveCompetence',
    permission: 'approve',
    schema: giveSchema,
    audit: ({ person, procedure, basis, endsOn, why }) => `${person}, ${procedure}: ${basis} until ${endsOn}, ${why}`,
  },
  giveCompetence,
);
export const correctCompetenceAction = action(
  {
    name: 'correctCompetence',
    permission: 'approve',
    schema: correctSchema,
    audit: ({ id, endsOn, why }) => `${id}: until ${endsOn}, ${why}`,
  },
  correctCompetence,
);
export const endCompetenceAction = action(
  { name: 'endCompetence', permission: 'approve', schema: endSchema, audit: ({ id, reason }) => `${id}: ${reason}` },
  endCompetence,
);
export const watchRunAction = action(
  { name: 'watchRun', permission: 'bench', schema: watchSchema, audit: ({ run, note }) => `${run} ${note}` },
  watchRun,
);
