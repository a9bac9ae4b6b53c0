import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Role } from '@/core/record/event';
import { approveRun } from '@/features/certificates/server';
import { findAnything } from '@/features/counter/server';
import {
  changeLoan,
  endSpare,
  fitSpare,
  keepSpare,
  lend,
  listLoans,
  listSpares,
  loanOnPaper,
  loansOf,
  putSpareBack,
  setForLoan,
  sparesOf,
  takeLoanBack,
} from '@/features/stock/server';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, role: Role = 'technician') =>
  world.db.transaction((tx) => work({ tx, actor: { ...world.technician, role }, now: new Date('2026-11-28T09:00:00Z') }));
const spare = {
  kind: 'sensor' as const,
  name: 'CO sensor of the OF-410',
  partNumber: 'P-7',
  serial: '',
  shelfUntil: '2027-03-01' as string | null,
  place: 'drawer 3',
  quantity: 3,
};
const row = async (id: string) => (await inTx(({ tx }) => listSpares(tx, { ended: true }))).find((one) => one.id === id)!;
const did = async (action: string) =>
  (await world.app.query('select subject, detail from audit where action = $1 order by id desc limit 1', [action])).rows[0];

describe('spares', () => {
  it('one is put on the shelf, found, fitted at a ticket and put back; the shelf counts along, and the audit says so', async () => {
    const { id } = await inTx((context) => keepSpare(context, spare));
    const found = await inTx((context) => findAnything(context, { text: 'CO sensor of' }));
    expect(found.find((one) => one.group === 'spares')?.hits[0]?.href).toBe('/stock');
    const ticket = await world.newTicket();
    await inTx((context) => fitSpare(context, { ticketId: ticket.id, itemId: id, quantity: 2 }));
    expect((await row(id)).quantity).toBe(1);
    expect(await did('fitSpare')).toEqual({ subject: ticket.code, detail: { spare: `${spare.name} P-7`, quantity: 2 } });
    const more = await refused(inTx((context) => fitSpare(context, { ticketId: ticket.id, itemId: id, quantity: 2 })));
    expect(more).toMatchObject({ status: 409, fields: { quantity: '1 left.' } });
    const { used } = await inTx(({ tx }) => sparesOf(tx, ticket.id));
    expect(used).toHaveLength(1);
    await inTx((context) => putSpareBack(context, { useId: used[0]!.use.id, why: 'the old one was good' }));
    expect((await row(id)).quantity).toBe(3);
    expect(await refused(inTx((context) => putSpareBack(context, { useId: used[0]!.use.id, why: 'twice' })))).toMatchObject({
      status: 409,
    });
  });

  it('what is past its shelf life is fitted by nobody; a serial is there once; what two people correct is not lost; written off, it is gone from the list', async () => {
    const old = await inTx((context) => keepSpare(context, { ...spare, name: 'Old cell', shelfUntil: '2026-11-27' }));
    const ticket = await world.newTicket();
    const why = await refused(inTx((context) => fitSpare(context, { ticketId: ticket.id, itemId: old.id, quantity: 1 })));
    expect(why?.fields.itemId).toContain('2026-11-27');
    const one = { ...spare, serial: 'CO-778', quantity: 1 };
    const { id } = await inTx((context) => keepSpare(context, one));
    expect(await refused(inTx((context) => keepSpare(context, { ...one, serial: 'co-778' })))).toMatchObject({
      status: 409,
      fields: { serial: expect.stringContaining('already') },
    });
    const { version } = await row(id);
    await inTx((context) => keepSpare(context, { ...one, itemId: id, version, place: 'drawer 4' }));
    expect(await refused(inTx((context) => keepSpare(context, { ...one, itemId: id, version })))).toMatchObject({ status: 409 });
    expect((await row(id)).place).toBe('drawer 4');
    await inTx((context) => endSpare(context, { itemId: id, why: 'fell down' }));
    expect((await inTx(({ tx }) => listSpares(tx))).map((item) => item.id)).not.toContain(id);
    // The serial is free again, the piece that fell is still on record.
    await inTx((context) => keepSpare(context, one));
    expect(await row(id)).toMatchObject({ endedWhy: 'fell down', endedBy: world.technician.name });
  });
  it('two technicians who take the last one at the same moment: one has it', async () => {
    const { id } = await inTx((context) => keepSpare(context, { ...spare, name: 'Last one', quantity: 1 }));
    const tickets = [await world.newTicket(), await world.newTicket()];
    const ends = await Promise.all(
      tickets.map((ticket) => refused(inTx((context) => fitSpare(context, { ticketId: ticket.id, itemId: id, quantity: 1 })))),
    );
    expect(ends.map((one) => one?.status ?? 200).sort()).toEqual([200, 409]);
    expect((await row(id)).quantity).toBe(0);
  });
});

describe('loans', () => {
  const lendable = async (nextDue: string | null = '2027-02-01') => {
    const assetId = await world.newAsset();
    await world.app.query('update asset set next_due = $2 where id = $1', [assetId, nextDue]);
    await inTx((context) => setForLoan(context, { assetId, forLoan: true }));
    return assetId;
  };
  const to = (assetId: string, dueBack = '2026-12-12') =>
    inTx((context) =>
      lend(context, { assetId, customerId: world.customerId, ticketId: null, dueBack, contact: 'Mara', note: '' }),
    );

  it('it goes out once, until a day on which its calibration holds; the paper says so; back, it can go again', async () => {
    const assetId = await lendable();
    const { id } = await to(assetId);
    expect((await refused(to(assetId)))?.fields.assetId).toContain('with a customer');
    expect(await inTx(({ tx }) => loanOnPaper(tx, id))).toMatchObject({ loan: { dueBack: '2026-12-12', contact: 'Mara' } });
    const listed = async () => (await inTx(({ tx }) => listLoans(tx))).find((one) => one.assetId === assetId)!;
    expect((await listed()).out?.id).toBe(id);
    const change = (dueBack: string) => inTx((context) => changeLoan(context, { loanId: id, dueBack, contact: 'Odo', note: '' }));
    expect((await refused(change('2027-02-02')))?.fields.dueBack).toContain('2027-02-01');
    await change('2027-02-01');
    expect(await did('changeLoan')).toMatchObject({
      detail: { before: { dueBack: '2026-12-12', contact: 'Mara' }, after: { dueBack: '2027-02-01', contact: 'Odo' } },
    });
    expect(await refused(inTx((context) => setForLoan(context, { assetId, forLoan: false })))).toMatchObject({ status: 409 });
    await inTx((context) => takeLoanBack(context, { loanId: id, fault: '' }));
    expect((await listed()).out).toBeNull();
    await to(assetId);
    expect(await inTx(({ tx }) => loansOf(tx, assetId))).toHaveLength(2);
  });

  it('never calibrated, overdue before it is back, in the house, or not for loan: it stays', async () => {
    expect((await refused(to(await lendable(null))))?.fields.assetId).toContain('never calibrated');
    expect((await refused(to(await lendable('2026-12-11'))))?.fields.dueBack).toContain('2026-12-11');
    const here = await lendable();
    await world.newTicket({ assetId: here });
    expect((await refused(to(here)))?.fields.assetId).toContain('in the house');
    expect((await refused(to(await world.newAsset())))?.fields.assetId).toContain('not for loan');
    expect(await refused(inTx((context) => setForLoan(context, { assetId: here, forLoan: false }), 'auditor'))).toMatchObject({
      status: 403,
    });
  });

  it('what came back with a fault is lent again only after a document was issued for it', async () => {
    const { run, assetId } = await world.finishedRun();
    await world.app.query('update ticket set status = $2, returned_at = now() where run_id = $1', [run, 'returned']);
    await world.app.query('update asset set next_due = $2 where id = $1', [assetId, '2027-02-01']);
    await inTx((context) => setForLoan(context, { assetId, forLoan: true }));
    const { id } = await to(assetId);
    await inTx((context) => takeLoanBack(context, { loanId: id, fault: 'fell into the dock' }));
    expect((await refused(to(assetId)))?.fields.assetId).toContain('fell into the dock');
    await world.app.query('update ticket set status = $2, returned_at = null where run_id = $1', [run, 'toApprove']);
    await world.db.transaction((tx) =>
      approveRun({ tx, actor: world.signatory, now: new Date('2026-11-28T10:00:00Z') }, { runId: run }),
    );
    await world.app.query('update ticket set status = $2, returned_at = now() where run_id = $1', [run, 'returned']);
    await world.app.query('update asset set next_due = $2 where id = $1', [assetId, '2027-02-01']);
    expect(await refused(to(assetId))).toBeNull();
  });
});
