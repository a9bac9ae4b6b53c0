import { keepFile } from '@/features/files/server';
import { route } from '@/platform/route';

/** A photo or a paper, as bytes; the address says what it belongs to and what it is called. */
export const POST = route(
  { permission: 'receive', name: '/api/files', takes: ['application/octet-stream'] },
  async ({ tx, actor, now, request }) => {
    const asked = new URL(request.url).searchParams;
    const bytes = Buffer.from(await request.arrayBuffer());
    const [about, aboutId, name] = ['about', 'id', 'name'].map((one) => asked.get(one) ?? '');
    return Response.json({
      ok: true,
      ...(await keepFile({ tx, actor, now }, { about: about!, aboutId: aboutId!, name: name!, bytes })),
    });
  },
);
