import { eq } from 'drizzle-orm';
import { say } from '@/core/words/say';
import { runSummary, ticket } from '@/data/schema';
import { recordAudit } from '@/platform/audit';
import { nextNumber } from '@/platform/next-number';
import { may } from '@/platform/permission';
import { Problem } from '@/platform/problem';
import type { UseCaseContext } from '@/platform/use-case';
import type { TicketChange } from '../ticket-schema';
import { withdrawOffer } from './withdraw-offer';
import '@/core/words/en/tickets';

type Row = typeof ticket.$inferSelect;

/** The ticket's row, held until the transaction ends. Errors: Problem (403), (404), (409) for one that was handed back. */
async function held({ tx, actor }: UseCaseContext, id: string): Promise<Row> {
  if (!may(actor.role, 'receive')) throw new Problem(say({ code: 'ticket.forbidden' }), {}, 403);
  const [row] = await tx.select().from(ticket).where(eq(ticket.id, id)).for('update');
  if (!row) throw new Problem(say({ code: 'ticket.unknown' }), {}, 404);
  if (row.status === 'returned') throw new Problem(say({ code: 'ticket.closed' }), {}, 409);
  return row;
}

/** Changes wish, promise and note; the wish until the work begins. Errors: Problem (403), (404), (409). */
export async function changeTicket(context: UseCaseContext, { ticketId, ...input }: TicketChange): Promise<void> {
  const row = await held(context, ticketId);
  if (row.runId && input.service !== row.service) {
    const sentence = say({ code: 'ticket.begun' });
    throw new Problem(sentence, { service: sentence }, 409);
  }
  const { service, promiseOn, note, dueAgreed } = row;
  await context.tx.update(ticket).set(input).where(eq(ticket.id, ticketId));
  await recordAudit(context, 'changeTicket', row.code, { before: { service, promiseOn, note, dueAgreed }, after: input });
}

interface End {
  ticketId: string;
  why: string;
}

/** Ends a ticket on which nothing was done. Its number stays on record. Errors: Problem (403), (404), (409) once work has begun. */
export async function cancelTicket(context: UseCaseContext, { ticketId, why }: End): Promise<void> {
  const row = await held(context, ticketId);
  if (row.runId) throw new Problem(say({ code: 'ticket.cancelNotNow' }), {}, 409);
  await close(context, row, { ended: 'cancelled', endedWhy: why });
  await recordAudit(context, 'cancelTicket', row.code, { why });
}

/** Hands an instrument back as it came, with a paper of a series of its own. Errors: Problem (403), (404), (409) while a run is open, or where a result waits for its document. */
export async function handBackUncalibrated(context: UseCaseContext, { ticketId, why }: End): Promise<{ number: string }> {
  const row = await held(context, ticketId);
  const { tx } = context;
  if (row.runId) {
    const [run] = await tx.select({ status: runSummary.status }).from(runSummary).where(eq(runSummary.runId, row.runId));
    if (run?.status === 'open') throw new Problem(say({ code: 'ticket.runOpen' }), {}, 409);
    if (run && run.status !== 'aborted') throw new Problem(say({ code: 'ticket.hasResult' }), {}, 409);
  }
  const { number } = await nextNumber(context, 'handedBack');
  await close(context, row, { ended: 'uncalibrated', endedWhy: why, endedNumber: number });
  await recordAudit(context, 'handBackUncalibrated', row.code, { why, number });
  return { number };
}

async function close(context: UseCaseContext, row: Row, end: Partial<Row>): Promise<void> {
  const { tx, actor, now } = context;
  await withdrawOffer(context, row.id);
  await tx
    .update(ticket)
    .set({ ...end, endedBy: actor.name, status: 'returned', place: null, placedAt: null, returnedAt: now })
    .where(eq(ticket.id, row.id));
}
