import { and, asc, desc, eq, gt, notInArray, sql } from 'drizzle-orm';
import { addDays, format, subDays } from 'date-fns';
import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';
import { asset, customer, instrumentModel, receipt, reference, ticket } from '@/data/schema';
import { giveToCustomer } from '@/features/assets/server';
import { correctReceipt } from '@/features/counter/server';
import { createCustomer } from '@/features/customers/server';
import { correctReference, inputOf, noteCheck, stampOf } from '@/features/shelf/server';
import { fitSpare, keepSpare, lend, setForLoan, takeLoanBack } from '@/features/stock/server';

const day = (date: Date) => format(date, 'yyyy-MM-dd');

/** What lies in the drawers: plenty, nearly none, soon past its shelf life, and past it. */
const spares = (now: Date) =>
  [
    { kind: 'filter', name: 'Filter set', partNumber: 'F-12', serial: '', shelfUntil: null, place: 'drawer 1', quantity: 14 },
    {
      kind: 'sensor',
      name: 'Sensor H₂S',
      partNumber: 'S-H2S-4',
      serial: 'HS-40118',
      shelfUntil: day(addDays(now, 160)),
      place: 'fridge',
      quantity: 1,
    },
    {
      kind: 'sensor',
      name: 'Sensor CO',
      partNumber: 'S-CO-4',
      serial: 'CO-40233',
      shelfUntil: day(addDays(now, 12)),
      place: 'fridge',
      quantity: 1,
    },
    {
      kind: 'sensor',
      name: 'Sensor O₂',
      partNumber: 'S-O2-4',
      serial: 'OX-39007',
      shelfUntil: day(subDays(now, 20)),
      place: 'fridge',
      quantity: 1,
    },
    {
      kind: 'membrane',
      name: 'Membrane cap, oxygen probe',
      partNumber: 'M-7',
      serial: '',
      shelfUntil: null,
      place: 'drawer 2',
      quantity: 5,
    },
    {
      kind: 'electrolyte',
      name: 'Electrolyte, oxygen probe',
      partNumber: 'E-7',
      serial: '',
      shelfUntil: day(addDays(now, 400)),
      place: 'drawer 2',
      quantity: 0,
    },
  ] as const;

/** Spares, the loans of a season, and what was put right: a bottle's price off the wrong line, a receipt whose bringer was misheard. */
export async function stock(
  tx: Transaction,
  { technician, counter }: { technician: Actor; counter: Actor },
  now: Date,
): Promise<void> {
  const at = (days: number, actor = counter) => ({ tx, actor, now: subDays(now, days) });
  const ids: string[] = [];
  for (const spare of spares(now)) ids.push((await keepSpare(at(90), spare)).id);
  const [waiting] = await tx.select().from(ticket).where(eq(ticket.status, 'toApprove')).orderBy(asc(ticket.code)).limit(1);
  if (waiting) await fitSpare(at(1, technician), { ticketId: waiting.id, itemId: ids[0]!, quantity: 2 });
  await loans(tx, at, now);
  const [bottle] = await tx
    .select()
    .from(reference)
    .where(and(eq(reference.kind, 'gas'), sql`price is not null`))
    .orderBy(desc(reference.lot))
    .limit(1);
  if (bottle)
    await correctReference(at(2, technician), {
      id: bottle.id,
      input: { ...inputOf(bottle), price: String(Number(bottle.price) + 10) },
      why: 'price off the line below',
      seen: stampOf(bottle),
    });
  // The only bottle for breath testers: it lasts some weeks, and a new one takes four.
  const [low] = await tx.select({ id: reference.id }).from(reference).where(eq(reference.lot, 'DG-0038'));
  if (low)
    await noteCheck(at(1, technician), {
      id: low.id,
      what: 'pressure',
      value: '3',
      result: '',
      note: '',
      nextDue: '',
    });
  const [last] = await tx.select().from(receipt).orderBy(desc(receipt.number)).limit(1);
  if (last)
    await correctReceipt(at(0), {
      receiptId: last.id,
      contact: last.contact || 'Sef Darnow',
      note: 'Rings before fetching.',
      seen: { contact: last.contact, note: last.note },
    });
}

/** Three instruments that the workshop lends: one is with a customer, one should be back, one fell and waits for its calibration. */
async function loans(
  tx: Transaction,
  at: (days: number) => { tx: Transaction; actor: Actor; now: Date },
  now: Date,
): Promise<void> {
  const inHouse = tx
    .select({ id: ticket.assetId })
    .from(ticket)
    .where(sql`${ticket.status} <> 'returned'`);
  const free = await tx
    .select({ id: asset.id })
    .from(asset)
    .innerJoin(instrumentModel, eq(instrumentModel.id, asset.modelId))
    .where(
      and(
        eq(asset.status, 'inUse'),
        eq(asset.part, 'body'),
        eq(instrumentModel.name, 'OF-410'),
        gt(asset.nextDue, day(addDays(now, 60))),
        notInArray(asset.id, inHouse),
      ),
    )
    .orderBy(desc(asset.nextDue), asc(asset.serial))
    .limit(3);
  const own = await createCustomer(at(100), {
    name: 'Instruments of the workshop',
    address: 'Ropewalk 5, Port Ambrel',
    contact: '',
    email: '',
    phone: '',
    notes: 'Those that are lent.',
    wantsReminders: false,
    agreesDue: true,
  });
  const borrowers = await tx
    .select({ id: customer.id })
    .from(customer)
    .where(sql`id <> ${own.id}`)
    .orderBy(asc(customer.name))
    .limit(3);
  for (const { id } of free) {
    await giveToCustomer(at(80), { assetId: id, customerId: own.id, why: 'bought back to be lent' });
    await setForLoan(at(80), { assetId: id, forLoan: true });
  }
  const out = (index: number, from: number, back: number) =>
    lend(at(from), {
      assetId: free[index]!.id,
      customerId: borrowers[index]!.id,
      ticketId: null,
      dueBack: day(subDays(now, back)),
      contact: '',
      note: '',
    });
  if (free.length < 3 || borrowers.length < 3) return;
  await out(0, 6, -8);
  await out(1, 17, 3);
  const { id } = await out(2, 30, 16);
  await takeLoanBack(at(15), { loanId: id, fault: 'fell off the gangway, housing cracked' });
}
