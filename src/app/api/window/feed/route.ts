import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { feedAddress } from '@/features/feeds/server';
import { newSecret } from '@/platform/secret';
import { Problem } from '@/platform/problem';
import { windowRoute } from '@/platform/window-door';
import '@/core/words/en/window';

/** An address for the customer's own calendar program; shown once. */
export const POST = windowRoute('/api/window/feed', async ({ tx }) => {
  const secret = newSecret();
  const { rows } = await tx.execute<{ made: boolean }>(sql`select window_feed(${secret}) as made`);
  if (!rows[0]?.made) throw new Problem(say({ code: 'window.notYours' }), {}, 409);
  return Response.json({ address: feedAddress(secret) });
});
