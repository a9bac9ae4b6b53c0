import { randomUUID } from 'node:crypto';
import { addDays, format, parseISO } from 'date-fns';
import { inArray } from 'drizzle-orm';
import { reminderStage, type ReminderStage } from '@/core/interval/reminder-stage';
import { mail, reminder } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { readSettings, type WorkshopSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { dueUntil } from './due-list';

type Row = Awaited<ReturnType<typeof dueUntil>>[number];
interface Line {
  row: Row;
  stage: ReminderStage;
}

/**
 * Writes the reminder mails that are due today, one a customer, and books every (instrument, due date, stage) once: running it again makes nothing twice.
 * The mails are only queued here; sending is `sendQueued`.
 */
export async function makeReminders({ tx, now }: UseCaseContext): Promise<{ mails: number; instruments: number }> {
  const settings = await readSettings(tx);
  const today = dateIn(settings.zone, now);
  const rows = await dueUntil(tx, format(addDays(parseISO(today), settings.remindAheadDays + 1), 'yyyy-MM-dd'));
  const booked = rows.length
    ? await tx
        .select()
        .from(reminder)
        .where(
          inArray(
            reminder.assetId,
            rows.map((row) => row.id),
          ),
        )
    : [];
  const seen = new Set(booked.map((entry) => `${entry.assetId}/${entry.dueOn}/${entry.stage}`));
  const lines = rows.flatMap((row): Line[] => {
    const stage = reminderStage({
      due: row.nextDue!,
      today,
      aheadDays: settings.remindAheadDays,
      afterDays: settings.remindAfterDays,
    });
    return stage && !seen.has(`${row.id}/${row.nextDue}/${stage}`) ? [{ row, stage }] : [];
  });
  const byCustomer = groupByCustomer(lines);
  let instruments = 0;
  for (const [customerId, group] of byCustomer) {
    const id = randomUUID();
    // The row of the reminder is the lock: whoever books first sends, a second process finds it taken.
    await tx.insert(mail).values({
      id,
      customerId,
      recipient: group[0]!.row.customer.email,
      ...text(group, settings),
      messageId: `<reminder-${id}@${settings.mailFrom.split('@')[1] ?? 'localhost'}>`,
      createdAt: now,
    });
    await tx
      .insert(reminder)
      .values(group.map(({ row, stage }) => ({ assetId: row.id, customerId, dueOn: row.nextDue!, stage, mailId: id })));
    instruments += group.length;
  }
  return { mails: byCustomer.size, instruments };
}

function groupByCustomer(lines: Line[]): Map<string, Line[]> {
  const groups = new Map<string, Line[]>();
  for (const line of lines) groups.set(line.row.customer.id, [...(groups.get(line.row.customer.id) ?? []), line]);
  return groups;
}

const STAGE_TEXT: Record<ReminderStage, string> = { ahead: 'due soon', at: 'due now', after: 'overdue' };

function text(lines: Line[], settings: WorkshopSettings): { subject: string; body: string } {
  const { customer } = lines[0]!.row;
  const rows = lines.map(
    ({ row, stage }) =>
      `  ${format(parseISO(row.nextDue!), 'd MMM yyyy').padEnd(12)} ${STAGE_TEXT[stage].padEnd(9)} ${row.maker} ${row.model}, serial ${row.serial}${row.tag ? `, your tag ${row.tag}` : ''}`,
  );
  const count = `${lines.length} instrument${lines.length === 1 ? '' : 's'}`;
  return {
    subject: `Calibration due: ${count}`,
    body: [
      `Good day${customer.contact ? `, ${customer.contact}` : ''},`,
      '',
      `${count} of ${customer.name} ${lines.length === 1 ? 'is' : 'are'} due for calibration:`,
      '',
      ...rows,
      '',
      'Bring or send them in, or answer this mail and we keep a place on the bench.',
      'An instrument that is overdue should not be relied on until it has been calibrated.',
      '',
      settings.name,
      settings.address,
    ].join('\n'),
  };
}
