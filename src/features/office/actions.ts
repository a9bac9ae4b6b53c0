'use server';
import { action } from '@/platform/action';
import { writeSettings } from '@/platform/settings';
import { activeSchema, passwordSchema, personSchema, roleSchema, settingsSchema, userSchema, waySchema } from './schemas';
import { addUser, dropSecondFactor, setUserActive, setUserPassword, setUserRole } from './server/people';
import { chooseWay } from './server/ways';

export const saveSettingsAction = action(
  { name: 'saveSettings', permission: 'office', schema: settingsSchema, audit: (input) => input.name },
  ({ tx }, input) => writeSettings(tx, input),
);
export const addUserAction = action(
  { name: 'addUser', permission: 'office', schema: userSchema, audit: (input) => `${input.name} (${input.role})` },
  addUser,
);
export const setUserActiveAction = action(
  {
    name: 'setUserActive',
    permission: 'office',
    schema: activeSchema,
    audit: (input) => `${input.userId} ${input.active ? 'let in' : 'kept out'}`,
  },
  setUserActive,
);
export const setUserRoleAction = action(
  { name: 'setUserRole', permission: 'office', schema: roleSchema, audit: (input) => `${input.userId}: ${input.role}` },
  setUserRole,
);
export const setUserPasswordAction = action(
  { name: 'setUserPassword', permission: 'office', schema: passwordSchema, audit: (input) => input.userId },
  setUserPassword,
);
export const dropSecondFactorAction = action(
  { name: 'dropSecondFactor', permission: 'office', schema: personSchema, audit: (input) => input.userId },
  dropSecondFactor,
);
export const chooseWayAction = action(
  {
    name: 'chooseWay',
    permission: 'office',
    schema: waySchema,
    audit: (input) => `${input.modelId} ${input.school}: ${input.option}`,
  },
  chooseWay,
);
