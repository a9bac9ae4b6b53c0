import { eventsAfter } from '@/features/bench/server';
import { route } from '@/platform/route';

export const GET = route({ permission: 'signedIn', name: '/api/runs/[id]/events' }, async ({ tx, params, request }) =>
  Response.json({ events: await eventsAfter(tx, params.id!, Number(new URL(request.url).searchParams.get('after') ?? 0)) }),
);
