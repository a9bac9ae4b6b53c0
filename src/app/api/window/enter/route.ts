import { sql } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { enterSchema } from '@/features/window/server';
import { Problem } from '@/platform/problem';
import { route } from '@/platform/route';
import { isHttps } from '@/platform/session-cookie';
import { newSecret } from '@/platform/secret';
import { parse } from '@/platform/shape';
import { windowCookie } from '@/platform/window-door';
import '@/core/words/en/window';

const HOURS = 12;

/** A link opens once; what stands for it from then on is a secret of the browser's own. */
export const POST = route({ permission: 'public', name: '/api/window/enter', byItself: true }, async ({ tx, request }) => {
  const { link } = await parse(enterSchema, await request.json());
  const secret = newSecret();
  const { rows } = await tx.execute<{ customer: string | null }>(sql`select window_enter(${link}, ${secret}) as customer`);
  if (!rows[0]?.customer) throw new Problem(say({ code: 'window.linkGone' }), {}, 404);
  const cookie = `${windowCookie()}=${secret}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${HOURS * 3600}${isHttps() ? '; Secure' : ''}`;
  return Response.json({ customer: rows[0].customer }, { headers: { 'set-cookie': cookie } });
});
