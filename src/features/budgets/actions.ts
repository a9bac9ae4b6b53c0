'use server';
import { action } from '@/platform/action';
import { confirmSchema, standingSchema, studySchema, withdrawStudySchema } from './schemas';
import { confirmRemembered, recordStudy, setStanding, withdrawStudy } from './server/change-standing';

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
