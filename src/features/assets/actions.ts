'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { keepSamples } from '@/features/counter/server';
import { retireAsset, takeBackAsset } from './server/retire';
import { returnToUse } from './server/return-to-use';
import { samplesSchema } from '@/core/instrument/samples-typed';

const why = yup.string().trim().min(3, 'Say in a few words why.').max(300).required('Say in a few words why.');
const actOn = yup.object({ assetId: yup.string().uuid().required(), why });

export const returnToUseAction = action(
  {
    name: 'returnToUse',
    permission: 'approve',
    schema: yup.object({
      assetId: yup.string().uuid().required(),
      certificateId: yup.string().uuid().required(),
      why,
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
export const retireAssetAction = action(
  { name: 'retireAsset', permission: 'receive', schema: actOn, audit: 'none' },
  retireAsset,
);
export const takeBackAssetAction = action(
  { name: 'takeBackAsset', permission: 'approve', schema: actOn, audit: 'none' },
  takeBackAsset,
);
