import { sql } from 'drizzle-orm';
import { route } from '@/platform/route';

/** Ready: the database answers, and its migrations are there. */
export const GET = route({ permission: 'public', name: '/api/health' }, async ({ tx }) => {
  const result = await tx.execute<{ migrations: number }>(sql`select public_migrations() as migrations`);
  return Response.json({ ok: true, migrations: result.rows[0]!.migrations });
});
