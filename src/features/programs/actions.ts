'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { PROGRAM_SCOPES, type ProgramScope } from '@/data/schema';
import { changeToken, endToken, makeToken } from './server/tokens';

const name = yup.string().trim().max(80, 'At most 80 characters.').required('Give the program a name.');
const goodUntil = yup
  .string()
  .matches(/^\d{4}-\d{2}-\d{2}$/, 'A day.')
  .required('Say until when.');
const makeSchema = yup.object({
  name,
  scopes: yup
    .array()
    .of(
      yup
        .string<ProgramScope>()
        .oneOf([...PROGRAM_SCOPES])
        .required(),
    )
    .min(1, 'Choose what it reads.')
    .required(),
  goodUntil,
});

export const makeTokenAction = action(
  { name: 'makeToken', permission: 'office', schema: makeSchema, audit: (input) => `${input.name}: ${input.scopes.join(', ')}` },
  makeToken,
);
const changeSchema = yup.object({
  tokenId: yup.string().uuid().required(),
  name,
  goodUntil,
});
export const changeTokenAction = action(
  { name: 'changeToken', permission: 'office', schema: changeSchema, audit: (input) => `${input.name} until ${input.goodUntil}` },
  changeToken,
);
export const endTokenAction = action(
  {
    name: 'endToken',
    permission: 'office',
    schema: yup.object({ tokenId: yup.string().uuid().required() }),
    audit: (input) => input.tokenId,
  },
  endToken,
);
