'use server';
import * as yup from 'yup';
import { NUMBER_SERIES, type NumberPatterns } from '@/core/paper/number-pattern';
import { LETTER_KINDS } from '@/core/letter/letter-kind';
import { LANGUAGES } from '@/core/words/say';
import { action } from '@/platform/action';
import { need } from '@/platform/need';
import { readSettings, writeSettings } from '@/platform/settings';
import {
  activeSchema,
  correctPersonSchema,
  installationSchema,
  personSchema,
  roleSchema,
  settingsSchema,
  userSchema,
  waySchema,
  withdrawInstallationSchema,
} from './schemas';
import { addPerson, correctPerson, dropSecondFactor, giveOneTimePassword, setUserActive, setUserRole } from './server/people';
import { noteInstallation, withdrawInstallation } from './server/installation';
import { dropLogo, keepNumbers } from './server/papers';
import { dropMailText, keepMailText } from './server/mail-texts';
import { retryJobs } from './server/retry-jobs';
import { chooseWay } from './server/ways';

export const saveSettingsAction = action(
  { name: 'saveSettings', permission: 'office', schema: settingsSchema, audit: (input) => input.name },
  async ({ tx, actor }, input) => {
    need(actor, 'office');
    return writeSettings(tx, { ...(await readSettings(tx)), ...input });
  },
);
export const addUserAction = action(
  { name: 'addUser', permission: 'office', schema: userSchema, audit: (input) => `${input.name} (${input.role})` },
  addPerson,
);
export const correctPersonAction = action(
  {
    name: 'correctPerson',
    permission: 'office',
    schema: correctPersonSchema,
    audit: (input) => `${input.userId}: ${input.name}, ${input.email}`,
  },
  correctPerson,
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
export const giveOneTimePasswordAction = action(
  { name: 'giveOneTimePassword', permission: 'office', schema: personSchema, audit: (input) => input.userId },
  giveOneTimePassword,
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

export const noteInstallationAction = action(
  { name: 'noteInstallation', permission: 'office', schema: installationSchema, audit: (input) => input.result },
  noteInstallation,
);
export const withdrawInstallationAction = action(
  {
    name: 'withdrawInstallation',
    permission: 'office',
    schema: withdrawInstallationSchema,
    audit: (input) => `${input.checkId}: ${input.why}`,
  },
  withdrawInstallation,
);

const pattern = yup.string().trim().max(60).defined();
export const keepNumbersAction = action(
  {
    name: 'keepNumbers',
    permission: 'office',
    schema: yup.object(Object.fromEntries(NUMBER_SERIES.map((series) => [series, pattern]))),
    audit: 'none',
  },
  (context, input) => keepNumbers(context, input as NumberPatterns),
);
export const dropLogoAction = action({ name: 'dropLogo', permission: 'office', schema: yup.object({}), audit: 'none' }, dropLogo);

const letterSchema = yup.object({
  kind: yup.string().oneOf(LETTER_KINDS).required(),
  language: yup.string().oneOf(LANGUAGES).required(),
});
export const keepMailTextAction = action(
  {
    name: 'keepMailText',
    permission: 'office',
    schema: letterSchema.shape({ subject: yup.string().defined(), body: yup.string().defined() }),
    audit: 'none',
  },
  keepMailText,
);
export const dropMailTextAction = action(
  { name: 'dropMailText', permission: 'office', schema: letterSchema, audit: 'none' },
  dropMailText,
);
export const retryJobsAction = action(
  {
    name: 'retryJobs',
    permission: 'office',
    schema: yup.object({ task: yup.string().max(60).required() }),
    audit: ({ task }) => task,
  },
  retryJobs,
);
