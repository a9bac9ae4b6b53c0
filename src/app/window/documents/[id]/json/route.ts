import { say } from '@/core/words/say';
import { ownJson } from '@/features/window/server';
import { Problem } from '@/platform/problem';
import { windowRoute } from '@/platform/window-door';
import '@/core/words/en/window';

export const GET = windowRoute('/window/documents/[id]/json', async ({ tx, params }) => {
  const found = await ownJson(tx, params.id!);
  if (!found) throw new Problem(say({ code: 'window.notYours' }), {}, 404);
  return new Response(found.text, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${found.name}"`,
      'cache-control': 'private, no-store',
    },
  });
});
