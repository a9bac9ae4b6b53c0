import { addDays, format, subDays } from 'date-fns';
import { eq, sql } from 'drizzle-orm';
import type { Actor } from '@/core/record/event';
import { say } from '@/core/words/say';
import type { Database, Transaction } from '@/data/connection';
import { customer, mail } from '@/data/schema';
import { reviewSupplier } from '@/features/suppliers/server';
import { askByMail, doAnswer, giveAnswer } from '@/features/questions/server';
import { hostOf, putMails } from '@/platform/put-mail';
import { readSettings } from '@/platform/settings';
import '@/core/words/en/answer-page';
import '@/core/words/en/certificate';
import '@/core/words/en/returns';

type As = <T>(actor: Actor, work: (tx: Transaction) => Promise<T>) => Promise<T>;
const RETURNED = '550 5.1.1 no mailbox of that name';

/** Two suppliers were evaluated: one is watched since a lot of theirs was suspected, the other should have been looked at again by now. */
export async function evaluatedSuppliers(as: As, signatory: Actor, now: Date): Promise<void> {
  const evaluate = (days: number, supplier: string, verdict: 'approved' | 'watched', why: string, again: number) =>
    as(signatory, (tx) =>
      reviewSupplier(
        { tx, actor: signatory, now: subDays(now, days) },
        { supplier, verdict, why, reviewBy: format(addDays(now, again), 'yyyy-MM-dd') },
      ),
    );
  await evaluate(390, 'Peregrith', 'approved', 'Accredited; certificates complete; three lots compared with ours.', -25);
  await evaluate(380, 'Vantling', 'approved', 'Accredited; certificates complete.', 350);
  await evaluate(
    2,
    'Vantling',
    'watched',
    'A lot of theirs is recalled: each new one is compared with an earlier one first.',
    180,
  );
}

/** Customers were asked by link: one agreed to the rule, one says no to the due date on paper, one never answered, one is asked now. And a reminder came back later, because nobody has that mailbox any more. */
export async function askedByLink(db: Database, as: As, counter: Actor, now: Date): Promise<void> {
  const owners = await db
    .select({ id: customer.id, email: customer.email, agreesDue: customer.agreesDue })
    .from(customer)
    .where(sql`${customer.retiredAt} is null and ${customer.email} <> ''`)
    .orderBy(sql`(select count(*) from asset a where a.customer_id = ${customer.id}) desc`, customer.name)
    .limit(12);
  const rule = say({ code: 'askedOf.rule', numbers: { rule: say({ code: 'rule.simple' }) } });
  const alarms =
    'We would set the alarm points of your four-gas monitors to 20 and 100 ppm for CO, 5 and 10 ppm for H₂S. Do you agree?';

  const ask = (at: number, about: 'rule' | 'due' | 'alarms', asked: string, days: number) =>
    as(counter, async (tx) => {
      const owner = owners[at]!;
      const given = { customerId: owner.id, about, subjectId: undefined, asked, to: owner.email };
      const { id, mailId } = await askByMail({ tx, actor: counter, now: subDays(now, days) }, given);
      const [sent] = await tx
        .update(mail)
        .set({ state: 'sent', sentAt: subDays(now, days) })
        .where(eq(mail.id, mailId))
        .returning({ body: mail.body });
      return { id, secret: /\/answer\/([\w-]{43})/.exec(sent!.body)![1]! };
    });
  const answer = async ({ id, secret }: { id: string; secret: string }, said: 'yes' | 'no', name: string, remark = '') => {
    await db.transaction((tx) => giveAnswer(tx, secret, { answer: said, name, remark }));
    await doAnswer(db, id, now);
  };
  await answer(await ask(0, 'rule', rule, 9), 'yes', 'Ilka Thorn');
  await ask(1, 'alarms', alarms, 1);
  await ask(2, 'rule', rule, 34);
  // Their due dates stand on no document so far, and go on not to.
  const own = owners.findIndex((one) => !one.agreesDue);
  await answer(
    await ask(own < 0 ? 3 : own, 'due', say({ code: 'askedOf.due' }), 6),
    'no',
    'Mirte Aldous',
    'We keep our own plan.',
  );
  await as(counter, async (tx) => {
    const { mailFrom } = await readSettings(tx);
    const letter = {
      recipient: 'gone.office@former.example',
      subject: 'Calibration due: 2 instruments',
      body: 'Due for calibration.',
    };
    const [id] = await putMails(tx, [{ customerId: owners[2]!.id, ...letter }], {
      now: subDays(now, 2),
      kind: 'reminder',
      host: hostOf(mailFrom),
    });
    const problem = say({ code: 'returns.problem', numbers: { status: '5.1.1', said: RETURNED } });
    await tx
      .update(mail)
      .set({ state: 'refused', problem, sentAt: subDays(now, 2) })
      .where(eq(mail.id, id!));
  });
}
