import { sql } from 'drizzle-orm';
import type { Database } from '@/data/connection';

/** How long a lease holds without being renewed, in s: as long as a killed gateway leaves the lines alone. */
export const LEASE_SECONDS = 4;

/** Takes or renews the one lease on all lines, by the database's own clock. False while somebody else holds it. */
export async function holdLease(db: Database, holder: string): Promise<boolean> {
  const result = await db.execute<{ holder: string }>(sql`
    insert into gateway_lease (name, holder, until) values ('lines', ${holder}, now() + make_interval(secs => ${LEASE_SECONDS}))
    on conflict (name) do update set holder = excluded.holder, until = excluded.until
    where gateway_lease.holder = excluded.holder or gateway_lease.until < now() returning holder`);
  return result.rows[0]?.holder === holder;
}

export async function giveUpLease(db: Database, holder: string): Promise<void> {
  await db.execute(sql`delete from gateway_lease where name = 'lines' and holder = ${holder}`);
}
