import { fileBytes } from '@/features/files/server';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import '@/core/words/en/files';

/** A kept file as it came: shown in the browser; the proxy's policy allows it nothing there. */
export const GET = route({ permission: 'signedIn', name: '/api/files/[id]' }, async ({ tx, params }) => {
  const file = await fileBytes(tx, params.id!);
  if (!file) throw new Problem(say({ code: 'files.unknown' }), {}, 404);
  return new Response(new Uint8Array(file.bytes), {
    headers: {
      'content-type': file.mime,
      'content-disposition': `inline; filename*=UTF-8''${encodeURIComponent(file.name)}`,
      'cache-control': 'private, max-age=86400',
    },
  });
});
