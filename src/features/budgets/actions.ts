'use server';
import { action } from '@/platform/action';
import { confirmSchema, endScopeSchema, scopeSchema, standingSchema, studySchema, withdrawStudySchema } from './schemas';
import { confirmRemembered, recordStudy, setStanding, withdrawStudy } from './server/change-standing';
import { endScope, stateScope } from './server/scope';

// The use cases write their own audit entries, which say from what to what.
export const setStandingAction = action(
  { name: 'setStanding', permission: 'approve', schema: standingSchema, audit: 'none' },
  setStanding,
);
export const confirmRememberedAction = action(
  { name: 'confirmRemembered', permission: 'approve', schema: confirmSchema, audit: 'none' },
  confirmRemembered,
);
export const recordStudyAction = action(
  { name: 'recordStudy', permission: 'bench', schema: studySchema, audit: 'none' },
  recordStudy,
);
export const withdrawStudyAction = action(
  { name: 'withdrawStudy', permission: 'approve', schema: withdrawStudySchema, audit: 'none' },
  withdrawStudy,
);
export const stateScopeAction = action(
  { name: 'stateScope', permission: 'approve', schema: scopeSchema, audit: 'none' },
  stateScope,
);
export const endScopeAction = action(
  { name: 'endScope', permission: 'approve', schema: endScopeSchema, audit: 'none' },
  endScope,
);
