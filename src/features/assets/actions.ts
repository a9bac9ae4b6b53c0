'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { need } from '@/platform/need';
import { findCustomers, keepSamples, serialSchema } from '@/features/counter/server';
import { retireAsset, takeBackAsset } from './server/retire';
import { correctAsset, giveToCustomer } from './server/correct-asset';
import { putAtSite } from './server/put-at-site';
import { correctChannels } from './server/correct-channels';
import { channelsSchema } from './channel-state';
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

export const correctChannelsAction = action(
  { name: 'correctChannels', permission: 'receive', schema: channelsSchema, audit: 'none' },
  correctChannels,
);

const identity = {
  serial: serialSchema,
  tag: yup.string().trim().max(40, 'At most 40 characters.').default(''),
  modelId: yup.string().uuid().required(),
};
export const correctAssetAction = action(
  {
    name: 'correctAsset',
    permission: 'receive',
    schema: actOn.shape({ ...identity, seen: yup.object({ ...identity, serial: yup.string().required() }).required() }),
    audit: 'none',
  },
  correctAsset,
);
export const giveToCustomerAction = action(
  {
    name: 'giveToCustomer',
    permission: 'receive',
    schema: actOn.shape({ customerId: yup.string().uuid().required() }),
    audit: 'none',
  },
  giveToCustomer,
);

export const findOwnersAction = action(
  {
    name: 'findOwners',
    permission: 'receive',
    schema: yup.object({ text: yup.string().trim().max(80).default('') }),
    audit: 'none',
  },
  async ({ tx, actor }, { text }) => {
    need(actor, 'receive');
    return (await findCustomers(tx, text)).map(({ id, name }) => ({ id, name }));
  },
);

export const putAtSiteAction = action(
  {
    name: 'putAtSite',
    permission: 'receive',
    schema: yup.object({ assetId: yup.string().uuid().required(), siteId: yup.string().uuid().nullable().defined() }),
    audit: (input) => `${input.assetId}: ${input.siteId ?? 'no site'}`,
  },
  putAtSite,
);
