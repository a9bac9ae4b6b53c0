import { eq, sql } from 'drizzle-orm';
import type { Database, Transaction } from '@/data/connection';
import { deviceLine, type LiveSaid } from '@/data/schema';
import type { LineState } from '@/instruments/line-reader';

/** Postgres carries notices under 8000 bytes; what is longer is fetched by its number. */
const LONGEST_NOTICE = 7000;

/** How a line is, for all who listen. */
export async function writeLineState(db: Database | Transaction, id: string, line: LineState): Promise<void> {
  const { state, reason, hello, dropped, droppedWhy } = line;
  await db
    .update(deviceLine)
    .set({
      state,
      reason,
      dropped,
      droppedWhy,
      seenAt: new Date(),
      ...(hello ? { hello, maker: hello.maker, serial: hello.serial } : {}),
    })
    .where(eq(deviceLine.id, id));
  await db.execute(sql`select pg_notify('line_changed', ${JSON.stringify({ line: id, state })})`);
}

/** What a line said within about a quarter of a second, in order, for all who listen to it. */
export async function writeLineFrames(db: Database | Transaction, line: string, said: LiveSaid[]): Promise<void> {
  const at = new Date();
  const result = await db.execute<{ id: string }>(
    sql`insert into live_frame (line_id, at, said) values (${line}::uuid, ${at.toISOString()}::timestamptz, ${JSON.stringify(said)}::jsonb) returning id`,
  );
  const id = Number(result.rows[0]!.id);
  const whole = JSON.stringify({ id, line, at: at.toISOString(), said });
  await db.execute(sql`select pg_notify('live', ${whole.length < LONGEST_NOTICE ? whole : JSON.stringify({ id, line })})`);
}

/** How long a browser may be silent before its line counts as away, in s. */
export const BROWSER_SILENT_SECONDS = 10;

/** Lines whose browser is gone (closed, asleep, out of reach) are away: somebody has to say so for it. */
export async function closeSilentBrowsers(db: Database): Promise<void> {
  const { rows } = await db.execute<{ id: string }>(sql`
    update device_line set state = 'away', reason = 'the screen that reads its serial port is gone'
    where via = 'browser' and state = 'connected' and seen_at < now() - make_interval(secs => ${BROWSER_SILENT_SECONDS}) returning id`);
  for (const { id } of rows)
    await db.execute(sql`select pg_notify('line_changed', ${JSON.stringify({ line: id, state: 'away' })})`);
}
