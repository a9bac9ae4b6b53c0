import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { sendSchema } from '@/features/window/server';
import { Problem } from '@/platform/problem';
import { parse } from '@/platform/shape';
import { windowRoute } from '@/platform/window-door';
import '@/core/words/en/window';

/** Asks something of the house. It is done by a job, under the house's own role. */
export const POST = windowRoute('/api/window/request', async ({ tx, who, request }) => {
  if (!who.acts) throw new Problem(say({ code: 'window.readOnly' }), {}, 403);
  const { kind, what } = await parse(sendSchema, await request.json());
  const { rows } = await tx.execute<{ id: string }>(sql`select window_send(${kind}, ${JSON.stringify(what)}::jsonb) as id`);
  return Response.json({ id: rows[0]!.id });
});
