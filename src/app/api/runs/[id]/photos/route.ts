import { keepPhoto } from '@/features/paper/server';
import { route } from '@/platform/route';

/** A photo of a paper sheet, as bytes. */
const takes = ['image/*', 'application/octet-stream'];
export const POST = route(
  { permission: 'bench', name: '/api/runs/[id]/photos', takes },
  async ({ tx, actor, now, params, request }) => {
    const bytes = Buffer.from(await request.arrayBuffer());
    return Response.json({ ok: true, hash: await keepPhoto({ tx, actor, now }, { runId: params.id!, bytes }) });
  },
);
