import { say } from '@/core/words/say';
import { ownPdf } from '@/features/window/server';
import { Problem } from '@/platform/problem';
import { windowRoute } from '@/platform/window-door';
import '@/core/words/en/window';

export const GET = windowRoute('/window/documents/[id]/pdf', async ({ tx, params }) => {
  const found = await ownPdf(tx, params.id!);
  if (!found) throw new Problem(say({ code: 'window.notYours' }), {}, 404);
  if (!found.bytes) throw new Problem(say({ code: 'window.waits' }), {}, 503);
  const name = `${found.number}${found.revision ? `-r${found.revision}` : ''}.pdf`;
  return new Response(new Uint8Array(found.bytes), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}"`,
      'cache-control': 'private, no-store',
    },
  });
});
