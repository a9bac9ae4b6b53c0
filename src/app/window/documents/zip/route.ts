import { say } from '@/core/words/say';
import { ownZip } from '@/features/window/server';
import { Problem } from '@/platform/problem';
import { windowRoute } from '@/platform/window-door';
import '@/core/words/en/window';

export const GET = windowRoute('/window/documents/zip', async ({ tx }) => {
  const bytes = await ownZip(tx);
  if (!bytes) throw new Problem(say({ code: 'window.noDocuments' }), {}, 404);
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'application/zip',
      'content-disposition': 'attachment; filename="documents.zip"',
      'cache-control': 'private, no-store',
    },
  });
});
