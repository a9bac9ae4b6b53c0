'use server';
import { action } from '@/platform/action';
import { exchangeSchema } from './probe-schema';
import { exchangeProbe } from './server/exchange';

export const exchangeProbeAction = action(
  {
    name: 'exchangeProbe',
    permission: 'bench',
    schema: exchangeSchema,
    audit: (input) => `${input.probeId} ${input.hostId ? `into ${input.hostId}` : 'out'} ${input.place}`,
  },
  exchangeProbe,
);
