import { sql } from 'drizzle-orm';
import { windowCookie, windowRoute } from '@/platform/window-door';

export const POST = windowRoute('/api/window/leave', async ({ tx }) => {
  await tx.execute(sql`select window_leave()`);
  return Response.json(
    { left: true },
    { headers: { 'set-cookie': `${windowCookie()}=; Path=/; HttpOnly; SameSite=Lax; Max-Age=0` } },
  );
});
