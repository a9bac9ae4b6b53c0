import { readTrace } from '@/features/lines/server';
import { route } from '@/platform/route';

/** The raw readings kept behind a step. */
export const GET = route({ permission: 'signedIn', name: '/api/runs/[id]/traces/[trace]' }, async ({ tx, params }) => {
  const trace = await readTrace(tx, params.id!, params.trace!);
  return trace
    ? Response.json(trace)
    : Response.json({ ok: false, code: 'noTrace', message: 'There is no such trace.', fields: {} }, { status: 404 });
});
