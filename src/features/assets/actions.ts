'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { keepSamples } from './server/keep-samples';
import { returnToUse } from './server/return-to-use';
import { samplesSchema } from '@/core/instrument/samples-typed';

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

export const keepSamplesAction = action(
  {
    name: 'keepSamples',
    permission: 'signedIn',
    schema: samplesSchema.shape({ assetId: yup.string().uuid().required() }),
    audit: 'none',
  },
  keepSamples,
);
