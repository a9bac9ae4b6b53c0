import { randomUUID } from 'node:crypto';
import { and, eq, inArray, isNotNull, isNull, lte, sql } from 'drizzle-orm';
import type { LetterText } from '@/core/letter/letter-kind';
import { dayInLanguage } from '@/core/words/day-in-language';
import { say } from '@/core/words/say';
import { booksByWindow, windowToBook } from '@/platform/books-by-window';
import { reminderStage, type ReminderStage } from '@/core/interval/reminder-stage';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, reminder } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { unsubscribeAddress } from '@/platform/unsubscribe-address';
import { greet, itemOnLine, letterWriter, signedBy, type WriteLetter } from '@/platform/letter-text';
import { hostOf, putMails } from '@/platform/put-mail';
import { readSettings, type WorkshopSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { toldContact } from './told-contact';

import '@/core/words/en/letters';
import '@/core/words/en/mail-texts';
import '@/core/words/de';

type Row = Awaited<ReturnType<typeof dueUntold>>[number];
interface Line {
  row: Row;
  stage: ReminderStage;
}

/** Rows a statement. */
const BATCH = 10_000;

/**
 * Writes the reminders that are due today, one a customer, by mail or where there is no address of that kind as a letter to print, and books every (instrument, due date, stage) once: running it again makes nothing twice.
 * With `assetIds` only for these. The mails are left to the jobs process, in the same transaction.
 */
export async function makeReminders(
  { tx, actor, now }: UseCaseContext,
  { assetIds }: { assetIds?: string[] | undefined } = {},
): Promise<{ mails: number; letters: number; instruments: number }> {
  need(actor, 'receive');
  const settings = await readSettings(tx);
  const today = dateIn(settings.zone, now);
  const rows = await dueUntold(tx, today, settings, assetIds);
  const lines = rows.flatMap((row): Line[] => {
    const stage = reminderStage({
      due: row.nextDue!,
      today,
      aheadDays: settings.remindAheadDays,
      afterDays: settings.remindAfterDays,
    });
    return stage ? [{ row, stage }] : [];
  });
  const write = await letterWriter(tx, 'reminder');
  const letters = [...groupByCustomer(lines).values()].map((group) => ({
    id: randomUUID(),
    group,
    customerId: group[0]!.row.customer.id,
  }));
  await putMails(
    tx,
    letters.map(({ id, group, customerId }) => ({
      id,
      customerId,
      recipient: group[0]!.row.customer.email,
      ...text(group, settings, write),
      ...(group[0]!.row.customer.email ? { unsubscribe: group[0]!.row.customer.unsubscribe } : { onPaper: true }),
    })),
    { now, kind: 'reminder', host: hostOf(settings.mailFrom) },
  );
  const booked = letters.flatMap(({ id, group, customerId }) =>
    group.map(({ row, stage }) => ({ asset: row.id, customer: customerId, due: row.nextDue, stage, mail: id })),
  );
  // The row of the reminder is the lock: whoever books first sends, a second process finds it taken.
  for (const part of chunk(booked, BATCH))
    await tx.execute(sql`
      insert into reminder (asset_id, customer_id, due_on, stage, mail_id) select asset, customer, due, stage, mail
      from json_to_recordset(${JSON.stringify(part)}::json) as given (asset uuid, customer uuid, due date, stage text, mail uuid)`);
  const mails = letters.filter(({ group }) => group[0]!.row.customer.email).length;
  return { mails, letters: letters.length - mails, instruments: booked.length };
}

/** All that is due and was not told in its stage, customer by customer. */
async function dueUntold(
  tx: Transaction,
  today: string,
  { remindAheadDays, remindAfterDays }: WorkshopSettings,
  only?: readonly string[],
) {
  const stage = sql`case when ${asset.nextDue} <= ${today}::date - ${remindAfterDays}::int then 'after' when ${asset.nextDue} <= ${today}::date then 'at' else 'ahead' end`;
  const told = toldContact(tx);
  return tx
    .select({
      id: asset.id,
      nextDue: asset.nextDue,
      maker: asset.maker,
      model: instrumentModel.name,
      serial: asset.serial,
      tag: asset.tag,
      customer: {
        id: customer.id,
        name: customer.name,
        unsubscribe: customer.unsubscribeToken,
        language: customer.language,
        /** Somebody of theirs books by the window. */
        books: booksByWindow,
        contact: sql<string>`coalesce(${told.name}, ${customer.contact})`,
        email: sql<string>`coalesce(${told.email}, ${customer.email})`,
      },
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(asset.modelId, instrumentModel.id))
    .innerJoin(customer, eq(asset.customerId, customer.id))
    .leftJoinLateral(told, sql`true`)
    .leftJoin(reminder, and(eq(reminder.assetId, asset.id), eq(reminder.dueOn, asset.nextDue), eq(reminder.stage, stage)))
    .where(
      and(
        only ? inArray(asset.id, [...only]) : undefined,
        isNotNull(asset.nextDue),
        eq(asset.status, 'inUse'),
        lte(asset.nextDue, sql`${today}::date + ${remindAheadDays}::int`),
        eq(customer.wantsReminders, true),
        isNull(customer.retiredAt),
        // By mail, or where there is none by post.
        sql`(coalesce(${told.email}, ${customer.email}) <> '' or ${customer.address} <> '')`,
        isNull(reminder.id),
        // What is booked comes anyway; what stands in our own house is not asked for.
        sql`not exists (select from booking_item i where i.asset_id = ${asset.id} and i.open)`,
        sql`not exists (select from ticket t where t.asset_id = ${asset.id} and t.status <> 'returned')`,
      ),
    )
    .orderBy(customer.name, customer.id, asset.nextDue, asset.id);
}

function* chunk<T>(all: T[], size: number): Generator<T[]> {
  for (let at = 0; at < all.length; at += size) yield all.slice(at, at + size);
}

function groupByCustomer(lines: Line[]): Map<string, Line[]> {
  const groups = new Map<string, Line[]>();
  for (const line of lines) {
    const group = groups.get(line.row.customer.id);
    if (group) group.push(line);
    else groups.set(line.row.customer.id, [line]);
  }
  return groups;
}

function text(lines: Line[], settings: WorkshopSettings, write: WriteLetter): LetterText {
  const { customer } = lines[0]!.row;
  const { language } = customer;
  const rows = lines.map(
    ({ row, stage }) =>
      `  ${dayInLanguage(row.nextDue!, language).padEnd(12)} ${say({ code: `reminder.stage.${stage}` }, language).padEnd(9)} ${itemOnLine(row, language)}`,
  );
  return write(language, {
    greeting: greet(customer.contact, language),
    count: say({ code: 'letter.instruments', numbers: { count: lines.length } }, language),
    customer: customer.name,
    instruments: rows.join('\n'),
    booking: windowToBook(customer.books, language),
    caution: say({ code: 'mailText.dueCaution' }, language),
    workshop: signedBy(settings),
    wayOut: customer.email
      ? say({ code: 'mailText.wayOut', numbers: { address: unsubscribeAddress(customer.unsubscribe) } }, language)
      : '',
  });
}
