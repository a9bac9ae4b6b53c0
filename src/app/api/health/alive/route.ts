import { route } from '@/platform/route';

/** Alive: this process answers, whatever the database does. A process that doesn't is ended and started again; one that is only not ready is left alone. */
export const GET = route({ permission: 'public', name: '/api/health/alive', transaction: false }, () =>
  Promise.resolve(Response.json({ ok: true })),
);
