import { asc, eq, inArray, and, isNull } from 'drizzle-orm';
import { format, subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { receipt, ticket } from '@/data/schema';
import { answerOffer, keepPrice, makeOffer, notePosition } from '@/features/money/server';

const PRICES = [
  { what: 'service', service: 'calibrate', name: 'Calibration, one instrument', partNumber: '', amount: '85.00' },
  { what: 'service', service: 'bumpOnly', name: 'Bump test', partNumber: '', amount: '25.00' },
  { what: 'part', service: null, name: 'Sensor H₂S', partNumber: 'S-H2S-4', amount: '119.90' },
  { what: 'part', service: null, name: 'Sensor CO', partNumber: 'S-CO-4', amount: '104.50' },
  { what: 'part', service: null, name: 'Filter set', partNumber: 'F-12', amount: '9.80' },
  { what: 'other', service: null, name: 'Bench work, an hour', partNumber: '', amount: '84.00' },
] as const;

/** What things cost here, and the two days of a repair: one offer waits for its answer, another was accepted and its parts stand on the job. */
export async function money(
  tx: Transaction,
  { technician, admin }: { technician: Actor; admin: Actor },
  now: Date,
): Promise<void> {
  for (const price of PRICES) await keepPrice({ tx, actor: admin, now: subDays(now, 200) }, price);
  const tray = await tx
    .select({ id: ticket.id })
    .from(ticket)
    .where(and(inArray(ticket.status, ['inTray']), isNull(ticket.runId)))
    .orderBy(asc(ticket.code))
    .limit(2);
  const [ready] = await tx
    .select({ id: ticket.id })
    .from(ticket)
    .where(eq(ticket.status, 'toReturn'))
    .orderBy(asc(ticket.code))
    .limit(1);
  const line = (index: number, quantity = '1') => {
    const { what, name, partNumber, amount } = PRICES[index]!;
    return { what, name, partNumber, quantity, each: amount };
  };
  const context = (days: number) => ({ tx, actor: technician, now: subDays(now, days) });
  const [asked, agreed] = tray;
  if (asked)
    await makeOffer(context(2), {
      ticketId: asked.id,
      finding: 'Filter soaked, pump draws half of what it should. Filter set and half an hour, then as wished.',
      positions: [line(4), line(5, '0.5')],
    });
  if (agreed) {
    const { id } = await makeOffer(context(4), {
      ticketId: agreed.id,
      finding: 'H₂S sensor at its end: raw output a third of what it was when new.',
      positions: [line(2), line(5, '0.5')],
    });
    await answerOffer(context(3), { offerId: id, answer: 'accepted', by: 'the site office', how: 'telephone' });
    await notePosition(context(3), { ticketId: agreed.id, position: line(0) });
  }
  // Promised for the day it came, and not ready: the oldest that still waits for its signatory.
  const [slow] = await tx
    .select({ id: ticket.id, receivedAt: receipt.receivedAt })
    .from(ticket)
    .innerJoin(receipt, eq(receipt.id, ticket.receiptId))
    .where(eq(ticket.status, 'toApprove'))
    .orderBy(asc(receipt.receivedAt))
    .limit(1);
  if (slow)
    await tx
      .update(ticket)
      .set({ promiseOn: format(slow.receivedAt, 'yyyy-MM-dd') })
      .where(eq(ticket.id, slow.id));
  if (ready) await notePosition(context(1), { ticketId: ready.id, position: line(0) });
}
