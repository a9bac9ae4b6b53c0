'use server';
import * as yup from 'yup';
import { action } from '@/platform/action';
import { endFeed, makeFeed } from './server/keep-feed';

export const makeFeedAction = action(
  {
    name: 'makeFeed',
    permission: 'receive',
    schema: yup.object({
      kind: yup.string().oneOf(['workshop', 'technician', 'customer']).required(),
      who: yup.string().max(64).default(''),
    }),
    audit: (input) => `${input.kind} ${input.who}`.trim(),
  },
  makeFeed,
);
export const endFeedAction = action(
  {
    name: 'endFeed',
    permission: 'receive',
    schema: yup.object({ feedId: yup.string().uuid().required() }),
    audit: (input) => input.feedId,
  },
  endFeed,
);
