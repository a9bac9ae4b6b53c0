'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { renameFile, takeFileAway } from './server/keep-file';

const fileId = yup.string().uuid().required();
const why = 'Say in a few words why.';
const awaySchema = yup.object({ fileId, why: yup.string().trim().max(300).required(why).min(3, why) });
const nameSchema = yup.object({
  fileId,
  name: yup.string().trim().max(120, 'At most 120 characters.').required('A name is needed.'),
});

export const takeFileAwayAction = action(
  { name: 'takeFileAway', permission: 'receive', schema: awaySchema, audit: (input) => `${input.fileId}: ${input.why}` },
  takeFileAway,
);
export const renameFileAction = action(
  { name: 'renameFile', permission: 'receive', schema: nameSchema, audit: (input) => `${input.fileId}: ${input.name}` },
  renameFile,
);
