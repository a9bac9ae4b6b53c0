import { randomUUID } from 'node:crypto';
import { and, eq, isNotNull, isNull, sql } from 'drizzle-orm';
import { dayInLanguage } from '@/core/words/day-in-language';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { measuresGas } from '@/data/measures-gas';
import { asset, customer, instrumentModel } from '@/data/schema';
import { dateIn } from '@/platform/clock';
import { greet, itemOnLine, letterWriter, signedBy } from '@/platform/letter-text';
import { need } from '@/platform/need';
import { hostOf, putMails } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import { unsubscribeAddress } from '@/platform/unsubscribe-address';
import type { UseCaseContext } from '@/platform/use-case';
import { toldContact } from './told-contact';
import '@/core/words/en/letters';
import '@/core/words/en/mail-texts';
import '@/core/words/de';

/**
 * Reminds customers who wish it of bump tests that are due: so many days after the last bump that is on record, theirs or ours, else after the last calibration. One mail a customer, each instrument and day once; a new bump begins anew.
 * Only what measures gas, is in use and isn't in the house. Source: common practice.
 */
export async function makeBumpReminders({ tx, actor, now }: UseCaseContext): Promise<{ mails: number; instruments: number }> {
  need(actor, 'receive');
  const settings = await readSettings(tx);
  const rows = await bumpsDue(tx, dateIn(settings.zone, now), settings.zone);
  const groups = new Map<string, typeof rows>();
  for (const row of rows) groups.set(row.customer.id, [...(groups.get(row.customer.id) ?? []), row]);
  const write = await letterWriter(tx, 'bump');
  const letters = [...groups.values()].map((group) => {
    const { customer: owner } = group[0]!;
    const { language } = owner;
    const letter = write(language, {
      greeting: greet(owner.contact, language),
      count: say({ code: 'letter.instruments', numbers: { count: group.length } }, language),
      customer: owner.name,
      instruments: group.map((row) => `  ${dayInLanguage(row.due, language).padEnd(12)} ${itemOnLine(row, language)}`).join('\n'),
      caution: say({ code: 'mailText.bumpCaution' }, language),
      workshop: signedBy(settings),
      wayOut: say({ code: 'mailText.wayOut', numbers: { address: unsubscribeAddress(owner.unsubscribe) } }, language),
    });
    const mail = { customerId: owner.id, recipient: owner.email, unsubscribe: owner.unsubscribe, ...letter };
    return { id: randomUUID(), group, mail };
  });
  await putMails(
    tx,
    letters.map(({ id, mail }) => ({ id, ...mail })),
    { now, kind: 'bump', host: hostOf(settings.mailFrom) },
  );
  const booked = letters.flatMap(({ id, group }) =>
    group.map((row) => ({ asset: row.id, customer: row.customer.id, due: row.due, mail: id })),
  );
  await tx.execute(sql`
    insert into reminder (asset_id, customer_id, due_on, stage, mail_id) select asset, customer, due, 'bump', mail
    from json_to_recordset(${JSON.stringify(booked)}::json) as given (asset uuid, customer uuid, due date, mail uuid)`);
  return { mails: letters.length, instruments: booked.length };
}

async function bumpsDue(tx: Transaction, today: string, zone: string) {
  const told = toldContact(tx);
  const last = sql`(select greatest(${asset.bumpedAt}, (select max(b.at) from customer_bump b where b.asset_id = ${asset.id}), (select max(s.finished_at) from run_summary s where s.asset_id = ${asset.id} and s.status = 'approved')))`;
  const due = sql<string>`((${last} at time zone ${zone})::date + ${customer.bumpEveryDays})`;
  return tx
    .select({
      id: asset.id,
      maker: asset.maker,
      model: instrumentModel.name,
      serial: asset.serial,
      tag: asset.tag,
      due: sql<string>`${due}::text`,
      customer: {
        id: customer.id,
        name: customer.name,
        unsubscribe: customer.unsubscribeToken,
        language: customer.language,
        contact: sql<string>`coalesce(${told.name}, ${customer.contact})`,
        email: sql<string>`coalesce(${told.email}, ${customer.email})`,
      },
    })
    .from(customer)
    .innerJoin(asset, eq(asset.customerId, customer.id))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .leftJoinLateral(told, sql`true`)
    .where(
      and(
        isNotNull(customer.bumpEveryDays),
        eq(customer.wantsReminders, true),
        isNull(customer.retiredAt),
        eq(asset.status, 'inUse'),
        sql`coalesce(${told.email}, ${customer.email}) <> ''`,
        measuresGas(sql`${asset.id}`),
        sql`not exists (select from ticket t where t.asset_id = ${asset.id} and t.status <> 'returned')`,
        sql`${due} <= ${today}::date`,
        sql`not exists (select from reminder r where r.asset_id = ${asset.id} and r.stage = 'bump' and r.due_on = ${due})`,
      ),
    )
    .orderBy(customer.name, customer.id, asset.serial);
}
