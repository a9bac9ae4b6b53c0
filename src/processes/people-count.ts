import { count } from 'drizzle-orm';
import { closeDatabase, database } from '@/data/connection';
import { user } from '@/data/schema';

/** How many may sign in: a house that nobody can enter says so when it starts. */
const [row] = await database().select({ n: count() }).from(user);
console.log(`people ${row!.n}`);
await closeDatabase();
