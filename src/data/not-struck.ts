import { sql } from 'drizzle-orm';
import { runEvent } from './schema';

/** An event that nobody struck out later in its run: for queries that read events themselves. */
export const notStruck = sql`not exists (
  select from run_event later where later.run_id = ${runEvent.runId} and later.type = 'struck' and (later.data ->> 'seq')::int = ${runEvent.seq}
)`;
