import { sql } from 'drizzle-orm';
import { route } from '@/platform/route';

/** Alive, and the database answers. */
export const GET = route({ permission: 'public', name: '/api/health' }, async ({ tx }) => {
  const result = await tx.execute<{ migrations: number }>(sql`select count(*)::int as migrations from schema_migration`);
  return Response.json({ ok: true, migrations: result.rows[0]!.migrations });
});
