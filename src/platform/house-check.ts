import type { Database } from '@/data/connection';
import { houseCheck } from '@/data/schema';

/** Keeps what the house found of itself: it stays, whatever is found later. */
export async function keepHouseCheck(db: Database, found: Omit<typeof houseCheck.$inferInsert, 'id'>): Promise<void> {
  await db.insert(houseCheck).values(found);
}
