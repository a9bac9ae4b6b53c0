import { sql } from 'drizzle-orm';
import { Problem } from '@/platform/problem';
import { isId } from '@/platform/shape';
import { say } from '@/core/words/say';
import { windowRoute } from '@/platform/window-door';
import '@/core/words/en/window';

/** How far the house is with something that was asked. */
export const GET = windowRoute('/api/window/request/[id]', async ({ tx, params }) => {
  const { rows } = isId(params.id)
    ? await tx.execute(sql`select state, answer from window_request where id = ${params.id}::uuid`)
    : { rows: [] };
  if (!rows[0]) throw new Problem(say({ code: 'window.notYours' }), {}, 404);
  return Response.json(rows[0]);
});
