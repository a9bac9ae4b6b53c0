import { OPENAPI } from '@/features/programs/server';
import { route } from '@/platform/route';

/** What programs can ask for: it says nothing of the workshop, so anybody may read it. */
export const GET = route({ permission: 'public', name: '/api/v1/openapi.json', transaction: false }, () =>
  Promise.resolve(Response.json(OPENAPI)),
);
