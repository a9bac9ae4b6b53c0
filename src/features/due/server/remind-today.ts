import { desc, eq, sql } from 'drizzle-orm';
import { hourIn } from '@/core/interval/hour-in';
import type { Database, Transaction } from '@/data/connection';
import { houseCheck } from '@/data/schema';
import { asActor } from '@/platform/as-actor';
import { BY_ITSELF } from '@/platform/by-itself';
import { dateIn } from '@/platform/clock';
import { keepHouseCheck } from '@/platform/house-check';
import { readSettings } from '@/platform/settings';
import { makeBumpReminders } from './bump-reminders';
import { makeReminders } from './reminders';

/** The newest day on which reminders went out by themselves, and what came of it. */
export async function remindedLast(tx: Transaction | Database) {
  const [row] = await tx
    .select({ at: houseCheck.at, ok: houseCheck.ok, detail: houseCheck.detail })
    .from(houseCheck)
    .where(eq(houseCheck.kind, 'reminders'))
    .orderBy(desc(houseCheck.id))
    .limit(1);
  return row ?? null;
}

/**
 * The reminders of the day, once, from the workshop's hour on, where the workshop wants them to go out by themselves. Asked again it does nothing; of two processes one waits for the other and finds it done. A day on which the
 * house stood still is made up for when it runs again, by one mail a customer as ever. Null where nothing was to be done.
 * Errors: what the database says; that it failed is then on record.
 */
export async function remindToday(
  db: Database,
  now: Date,
): Promise<{ mails: number; letters: number; instruments: number } | null> {
  const began = Date.now();
  try {
    return await db.transaction(async (tx) => {
      const { remindByItself, remindHour, zone } = await readSettings(tx);
      if (!remindByItself || hourIn(zone, now) < remindHour) return null;
      await tx.execute(sql`select pg_advisory_xact_lock(hashtext('reminders of the day'))`);
      const day = dateIn(zone, now);
      const last = await remindedLast(tx);
      if (last?.ok && last.detail.day === day) return null;
      await asActor(tx, BY_ITSELF, 'job');
      const context = { tx, actor: BY_ITSELF, now };
      const made = await makeReminders(context);
      const bumps = await makeBumpReminders(context);
      await tx.insert(houseCheck).values({
        kind: 'reminders',
        at: now,
        tookMs: Date.now() - began,
        ok: true,
        detail: { day, ...made, bumps: bumps.mails },
      });
      return made;
    });
  } catch (error) {
    await keepHouseCheck(db, {
      kind: 'reminders',
      at: now,
      tookMs: Date.now() - began,
      ok: false,
      detail: { missed: [(error as Error).message.slice(0, 300)] },
    });
    throw error;
  }
}
