import { and, asc, desc, eq, isNull, ne, sql } from 'drizzle-orm';
import { loanRefusal } from '@/core/supply/loan';
import { say } from '@/core/words/say';
import type { Transaction } from '@/data/connection';
import { violatedUnique } from '@/data/database-problem';
import { asset, customer, instrumentModel, loan, ticket } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { dateIn } from '@/platform/clock';
import { need } from '@/platform/need';
import { Problem } from '@/platform/problem';
import { readSettings } from '@/platform/settings';
import { isId } from '@/platform/shape';
import type { UseCaseContext } from '@/platform/use-case';
import type { ChangeLoanInput, LendInput } from '../stock-schema';
import '@/core/words/en/stock';

/** What was wrong when an instrument last came back, where no document was issued for it since; else ''. */
const faultSince = sql<string>`coalesce((select l.fault from loan l where l.asset_id = asset.id and l.back_at is not null and l.fault <> ''
  and not exists (select 1 from certificate c where c.asset_id = l.asset_id and c.issued_at > l.back_at) order by l.back_at desc limit 1), '')`;

async function heldAsset({ tx }: UseCaseContext, id: string) {
  const [row] = await tx.select().from(asset).where(eq(asset.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'loan.unknownInstrument' }), {}, 404);
  return row;
}
const outNow = async (tx: Transaction, assetId: string) =>
  (
    await tx
      .select()
      .from(loan)
      .where(and(eq(loan.assetId, assetId), isNull(loan.backAt)))
  )[0];

/** Says that an instrument is lent to customers, or no more. Errors: Problem (403), (404), (409) while it is with one. */
export async function setForLoan(
  context: UseCaseContext,
  { assetId, forLoan }: { assetId: string; forLoan: boolean },
): Promise<void> {
  need(context.actor, 'receive');
  const row = await heldAsset(context, assetId);
  if (!forLoan && (await outNow(context.tx, assetId))) throw new Problem(say({ code: 'loan.stillOut' }), {}, 409);
  await context.tx.update(asset).set({ forLoan }).where(eq(asset.id, assetId));
  await recordAudit(context, 'setForLoan', row.serial, { before: { forLoan: row.forLoan }, after: { forLoan } });
}

/** Why an instrument may not be lent until a day, beside the field it hangs on. Errors: Problem (404), (409). */
async function refuseLoan(
  context: UseCaseContext,
  { assetId, dueBack, out }: { assetId: string; dueBack: string; out: boolean },
) {
  const { tx, now } = context;
  const row = await heldAsset(context, assetId);
  const [said] = await tx.select({ fault: faultSince }).from(asset).where(eq(asset.id, assetId));
  const [open] = await tx
    .select({ id: ticket.id })
    .from(ticket)
    .where(and(eq(ticket.assetId, assetId), ne(ticket.status, 'returned')));
  const fault = said?.fault ?? '';
  const why = loanRefusal(
    { forLoan: row.forLoan, inUse: row.status === 'inUse', inHouse: Boolean(open), out, nextDue: row.nextDue, fault },
    { day: dateIn((await readSettings(tx)).zone, now), until: dueBack },
  );
  if (why) {
    const sentence = say({ code: `loan.refused.${why}`, numbers: { fault, due: row.nextDue ?? '' } });
    throw new Problem(sentence, { [why === 'dueBefore' || why === 'past' ? 'dueBack' : 'assetId']: sentence }, 409);
  }
  return row;
}

/** Lends an instrument to a customer until a day on which its calibration still holds. Errors: Problem (403), (404), (409) with the rule that says no. */
export async function lend(context: UseCaseContext, input: LendInput): Promise<{ id: string }> {
  need(context.actor, 'receive');
  const { tx, actor, now } = context;
  const out = Boolean(await outNow(tx, input.assetId));
  const row = await refuseLoan(context, { assetId: input.assetId, dueBack: input.dueBack, out });
  const [to] = await tx.select({ name: customer.name }).from(customer).where(eq(customer.id, input.customerId));
  if (!to) throw new Problem(say({ code: 'loan.customer' }), { customerId: say({ code: 'loan.customer' }) }, 404);
  try {
    const [made] = await tx
      .insert(loan)
      .values({ ...input, lentAt: now, lentBy: actor.name })
      .returning({ id: loan.id });
    await recordAudit(context, 'lend', row.serial, { to: to.name, until: input.dueBack });
    return made!;
  } catch (error) {
    if (violatedUnique(error) !== 'loan_out') throw error;
    throw new Problem(say({ code: 'loan.meanwhileTaken' }), {}, 409);
  }
}

async function heldLoan(context: UseCaseContext, id: string) {
  need(context.actor, 'receive');
  const [row] = await context.tx.select().from(loan).where(eq(loan.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'loan.unknown' }), {}, 404);
  if (row.backAt) throw new Problem(say({ code: 'loan.isBack' }), {}, 409);
  return row;
}

/** Another day to bring it back, who has it, and the note. Errors: Problem (403), (404), (409) as for lending. */
export async function changeLoan(context: UseCaseContext, { loanId, ...input }: ChangeLoanInput): Promise<void> {
  const { dueBack, contact, note, assetId } = await heldLoan(context, loanId);
  const row = await refuseLoan(context, { assetId, dueBack: input.dueBack, out: false });
  await context.tx.update(loan).set(input).where(eq(loan.id, loanId));
  await recordAudit(context, 'changeLoan', row.serial, { before: { dueBack, contact, note }, after: input });
}

/** It is back, as it was or with a fault. Errors: Problem (403), (404), (409). */
export async function takeLoanBack(context: UseCaseContext, { loanId, fault }: { loanId: string; fault: string }): Promise<void> {
  const row = await heldLoan(context, loanId);
  const { tx, actor, now } = context;
  await tx.update(loan).set({ backAt: now, backBy: actor.name, fault }).where(eq(loan.id, loanId));
  const [{ serial } = { serial: '' }] = await tx.select({ serial: asset.serial }).from(asset).where(eq(asset.id, row.assetId));
  await recordAudit(context, 'takeLoanBack', serial, { fault });
}

/** Every instrument that is lent here: with whom it is, since when it should be back, whether its calibration holds. Those that are late first. */
export const listLoans = (tx: Transaction) =>
  tx
    .select({
      assetId: asset.id,
      serial: asset.serial,
      tag: asset.tag,
      maker: instrumentModel.maker,
      model: instrumentModel.name,
      nextDue: asset.nextDue,
      status: asset.status,
      fault: faultSince,
      out: loan,
      customer: customer.name,
    })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .leftJoin(loan, and(eq(loan.assetId, asset.id), isNull(loan.backAt)))
    .leftJoin(customer, eq(customer.id, loan.customerId))
    .where(eq(asset.forLoan, true))
    .orderBy(asc(loan.dueBack), asc(instrumentModel.maker), asc(instrumentModel.name), asc(asset.serial));

/** Loans of one instrument, the last first. */
export const loansOf = (tx: Transaction, assetId: string) =>
  tx
    .select({ loan, customer: customer.name })
    .from(loan)
    .innerJoin(customer, eq(customer.id, loan.customerId))
    .where(eq(loan.assetId, assetId))
    .orderBy(desc(loan.lentAt));

/** A loan with all that its paper says; null where the id is nobody's. */
export async function loanOnPaper(tx: Transaction, id: string) {
  if (!isId(id)) return null;
  const [row] = await tx
    .select({ loan, customer, asset, maker: instrumentModel.maker, model: instrumentModel.name, ticket: ticket.code })
    .from(loan)
    .innerJoin(customer, eq(customer.id, loan.customerId))
    .innerJoin(asset, eq(asset.id, loan.assetId))
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .leftJoin(ticket, eq(ticket.id, loan.ticketId))
    .where(eq(loan.id, id));
  return row ? { ...row, workshop: await readSettings(tx) } : null;
}
export type LoanOnPaper = NonNullable<Awaited<ReturnType<typeof loanOnPaper>>>;
export type LoanLine = Awaited<ReturnType<typeof listLoans>>[number];
