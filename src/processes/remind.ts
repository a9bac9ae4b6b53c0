import { closeDatabase, database } from '@/data/connection';
import { makeReminders } from '@/features/due/server';
import { recordAudit } from '@/platform/audit';
import { systemClock } from '@/platform/clock';

/** npm run remind: writes the reminder mails that are due; the jobs process sends them. Running it twice makes nothing twice. */
const actor = { id: 'system', name: 'Reminders', role: 'administrator' as const };
const made = await database().transaction(async (tx) => {
  const context = { tx, actor, now: systemClock().now() };
  const result = await makeReminders(context);
  if (result.mails) await recordAudit(context, 'remind', '', { ...result });
  return result;
});
console.log(`${made.mails} mails for ${made.instruments} instruments made; the jobs process sends them`);
await closeDatabase();
