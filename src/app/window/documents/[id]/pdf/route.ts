import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { ownPdf } from '@/features/window/server';
import { Problem } from '@/platform/problem';
import { windowRoute } from '@/platform/window-door';
import '@/core/words/en/window';

export const GET = windowRoute('/window/documents/[id]/pdf', async ({ tx, params }) => {
  const found = await ownPdf(tx, params.id!);
  if (!found) throw new Problem(say({ code: 'window.notYours' }), {}, 404);
  if (!found.bytes) {
    // Nobody opened it yet: it is drawn, and the page looks again by itself.
    await tx.execute(sql`select window_draw(${params.id!}::uuid)`);
    const page = `<!doctype html><meta charset="utf-8"><meta http-equiv="refresh" content="1"><title>${found.number}</title><p>${say({ code: 'window.waits' })}</p>`;
    return new Response(page, {
      status: 202,
      headers: { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' },
    });
  }
  const name = `${found.number}${found.revision ? `-r${found.revision}` : ''}.pdf`;
  return new Response(new Uint8Array(found.bytes), {
    headers: {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${name}"`,
      'cache-control': 'private, no-store',
    },
  });
});
