import { photoOf } from '@/features/paper/server';
import { route } from '@/platform/route';

/** A photo kept with a run. */
export const GET = route({ permission: 'signedIn', name: '/api/runs/[id]/photos/[hash]' }, async ({ tx, params }) => {
  const photo = await photoOf(tx, params.id!, params.hash!);
  return photo
    ? new Response(new Uint8Array(photo.bytes), {
        headers: { 'content-type': photo.mime, 'cache-control': 'private, max-age=86400, immutable' },
      })
    : Response.json({ ok: false, code: 'noPhoto', message: 'There is no such photo.', fields: {} }, { status: 404 });
});
