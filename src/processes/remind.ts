import { closeDatabase, database } from '@/data/connection';
import { makeReminders, sendQueued } from '@/features/due/server';
import { recordAudit } from '@/platform/audit';
import { systemClock } from '@/platform/clock';

/** npm run remind: writes the reminder mails that are due and sends what is queued. Running it twice sends nothing twice. */
const clock = systemClock();
const actor = { id: 'system', name: 'Reminders', role: 'administrator' as const };
const made = await database().transaction(async (tx) => {
  const context = { tx, actor, now: clock.now() };
  const result = await makeReminders(context);
  if (result.mails) await recordAudit(context, 'remind', '', result);
  return result;
});
const sent = await sendQueued(database(), () => clock.now());
console.log(
  `${made.mails} mails for ${made.instruments} instruments made; sent ${sent.sent}, waiting ${sent.queued}, uncertain ${sent.uncertain}, refused ${sent.refused}`,
);
await closeDatabase();
