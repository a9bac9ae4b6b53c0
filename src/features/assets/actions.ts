'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { returnToUse } from './server/return-to-use';

export const returnToUseAction = action(
  {
    name: 'returnToUse',
    permission: 'approve',
    schema: yup.object({
      assetId: yup.string().uuid().required(),
      certificateId: yup.string().uuid().required(),
      why: yup.string().trim().min(3, 'Say in a few words why.').max(300).required('Say in a few words why.'),
    }),
    audit: (input) => `${input.assetId}: ${input.why}`,
  },
  returnToUse,
);
