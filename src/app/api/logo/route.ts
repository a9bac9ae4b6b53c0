import { keepLogo } from '@/features/office/server';
import { say } from '@/core/words/say';
import { readLogo } from '@/platform/logo';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import '@/core/words/en/office-papers';

/** The workshop's sign. Its hash stands in the address: another sign has another. */
export const GET = route({ permission: 'signedIn', name: '/api/logo' }, async ({ tx }) => {
  const logo = await readLogo(tx);
  if (!logo) throw new Problem(say({ code: 'logo.none' }), {}, 404);
  return new Response(new Uint8Array(Buffer.from(logo.base64, 'base64')), {
    headers: { 'content-type': logo.mime, 'cache-control': 'private, max-age=86400' },
  });
});

export const POST = route(
  { permission: 'office', name: '/api/logo', takes: ['application/octet-stream'] },
  async ({ tx, actor, now, request }) => {
    await keepLogo({ tx, actor, now }, Buffer.from(await request.arrayBuffer()));
    return Response.json({ ok: true });
  },
);
