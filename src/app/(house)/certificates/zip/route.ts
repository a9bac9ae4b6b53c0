import { documentsZip } from '@/features/certificates/server';
import { say } from '@/core/words/say';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import '@/core/words/en/certificates-room';

/** The documents that were chosen in the list. It draws what nobody opened yet, so it holds no transaction. */
export const GET = route({ permission: 'signedIn', name: '/certificates/zip', transaction: false }, async ({ now, request }) => {
  const stream = await documentsZip(new URL(request.url).searchParams.getAll('id'));
  if (!stream) throw new Problem(say({ code: 'certificates.noneChosen' }), {}, 404);
  return new Response(stream, {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="documents-${now.toISOString().slice(0, 10)}.zip"`,
      'cache-control': 'no-store',
    },
  });
});
