import { sql } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';

/** The workshop's zone, for whoever may not read its settings: a customer at the window, too. Errors: none. Example: "Europe/Berlin". */
export const zoneOf = async (tx: Transaction): Promise<string> =>
  (await tx.execute<{ zone: string }>(sql`select public_zone() as zone`)).rows[0]!.zone;
