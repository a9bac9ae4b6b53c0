import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import type { Procedure, Step } from '@/core/procedure/procedure';
import { instrumentModel, ownProcedure } from '@/data/schema';
import type { Transaction } from '@/data/connection';
import { placeTicket, startRun } from '@/features/bench/server';
import { listChanges } from '@/features/office/server';
import {
  copyProcedure,
  endProcedure,
  keepDraft,
  listProcedures,
  ownProcedurePage,
  procedureById,
  procedureJson,
  recallProcedure,
  releaseProcedure,
  reviseProcedure,
  takeProcedure,
  walkDraft,
} from '@/features/procedures/server';
import { refused } from './refused';
import { openWorld, type World } from './world';

/** Ways of one walk: that all of them are walked is the job's matter (walk-procedure.test, walk "own-procedure" in the browser). */
const FEW = 30;
let world: World;
const now = new Date();
let base = '';
beforeAll(async () => {
  world = await openWorld();
  const [model] = await world.db.select().from(instrumentModel).where(eq(instrumentModel.id, world.modelId));
  base = model!.procedureId!;
});
afterAll(() => world.close());

const inTx = <T>(work: (context: { tx: Transaction; actor: Actor; now: Date }) => Promise<T>, actor: Actor = world.technician) =>
  world.db.transaction((tx) => work({ tx, actor, now }));
const page = (id: string) => inTx(({ tx }) => ownProcedurePage(tx, id));
const RECORD = {
  note: 'Ten minutes of rest first.',
  tried: 'One instrument of the house against two bottles.',
  result: 'Fit: repeatable within half the tolerance.',
  validatedOn: '2026-11-20',
  validatedBy: 'Tess Bench',
};
const REST: Step = { id: 'rest', kind: 'wait', title: 'Let it rest', minSeconds: 600, reason: 'It came from a cold van.' };
const withRest = (draft: Procedure): Procedure => ({ ...draft, steps: [REST, ...draft.steps] });
const release = async (id: string, actor: Actor = world.signatory) => {
  const { own } = await page(id);
  return inTx((context) => releaseProcedure(context, { ...RECORD, procedureId: id, rowVersion: own!.rowVersion }), actor);
};
const change = async (id: string, work: (draft: Procedure) => Procedure) => {
  const { own, draft } = await page(id);
  return inTx((context) => keepDraft(context, { procedureId: id, rowVersion: own!.rowVersion, draft: work(draft!) }));
};

describe('a procedure of the workshop’s own', () => {
  it('copied, changed, walked, released by a signatory, and worked by at the bench; the audit says what was kept', async () => {
    const { id } = await inTx((context) => copyProcedure(context, { procedureId: base, title: 'After a cold van' }));
    expect(await refused(release(id))).toMatchObject({ status: 409 });
    await change(id, withRest);
    expect((await page(id)).differs.map(({ key }) => key)).toContain('step/rest');
    await walkDraft(world.db, id, now, FEW);
    const walked = await page(id);
    expect(walked.walk).toMatchObject({ current: true, faults: [] });
    expect(walked.walk!.ways).toBeGreaterThan(20);
    expect(await refused(release(id, world.technician))).toMatchObject({ status: 403 });
    expect(await release(id)).toEqual({ version: 1 });
    await world.db.update(instrumentModel).set({ procedureId: id }).where(eq(instrumentModel.id, world.modelId));
    const ticket = await world.newTicket();
    await inTx((context) => placeTicket(context, { ticketId: ticket.id, place: 5 }));
    const { run } = await inTx((context) => startRun(context, { ticketId: ticket.id }));
    const { rows } = await world.app.query<{ document: Procedure }>(
      'select v.document from run r join procedure_version v on v.id = r.procedure_id and v.version = r.procedure_version where r.id = $1',
      [run],
    );
    expect(rows[0]!.document.steps[0]).toEqual(REST);
    const changes = await inTx(({ tx }) => listChanges(tx, { table: 'own_procedure' }));
    expect(JSON.stringify(changes)).toContain('Let it rest');
    // A version that was released stays as it is, whoever asks.
    await expect(world.app.query("update own_procedure_version set note = 'other'")).rejects.toThrow(/permission denied/);
    // A draft is walked on the models of the house that go by what it was copied from: without one on all shipped ones.
    await world.db.update(instrumentModel).set({ procedureId: base }).where(eq(instrumentModel.id, world.modelId));
  });

  it('the next version is worked on while the one in force goes on; a recall stops new runs, and is lifted', async () => {
    const { id } = await inTx((context) => copyProcedure(context, { procedureId: base, title: 'Recalled later' }));
    await walkDraft(world.db, id, now, FEW);
    await release(id);
    await inTx((context) => reviseProcedure(context, { procedureId: id }));
    await change(id, withRest);
    expect((await inTx(({ tx }) => procedureById(tx, id)))!.steps[0]!.id).not.toBe('rest');
    await world.db.update(instrumentModel).set({ procedureId: id }).where(eq(instrumentModel.id, world.modelId));
    let place = 5;
    const start = async () => {
      const ticket = await world.newTicket();
      place += 1;
      await inTx((context) => placeTicket(context, { ticketId: ticket.id, place }));
      return inTx((context) => startRun(context, { ticketId: ticket.id }));
    };
    const why = 'the wait is too short';
    await inTx((context) => recallProcedure(context, { procedureId: id, why, lift: false }), world.signatory);
    expect((await page(id)).recall).toMatchObject({ why, version: 1 });
    expect((await refused(start()))!.message).toContain(why);
    await inTx((context) => recallProcedure(context, { procedureId: id, why: 'a mistake', lift: true }), world.signatory);
    expect((await start()).run).toBeTruthy();
    await world.db.update(instrumentModel).set({ procedureId: base }).where(eq(instrumentModel.id, world.modelId));
  });

  it('a draft with a fault is not released: the walk’s finding stands in the way, and a change makes it walk again', async () => {
    const { id } = await inTx((context) =>
      copyProcedure(context, { procedureId: 'four-gas-leak-monitor', title: 'Valve left open' }),
    );
    await change(id, (draft) => {
      const off = draft.steps.findIndex((step) => step.kind === 'stimulus' && !step.on);
      return { ...draft, steps: draft.steps.filter((_step, index) => index !== off) };
    });
    await walkDraft(world.db, id, now, FEW);
    const { walk } = await page(id);
    expect(walk!.faults.map((one) => one.code)).toContain('zeroOnOpenGas');
    expect((await refused(release(id)))!.message).toMatch(/must not be/);
    await change(id, (draft) => ({ ...draft, cautions: [] }));
    expect((await page(id)).walk).toBeNull();
    expect((await refused(release(id)))!.message).toMatch(/walk it first/);
  });

  it('two people at one draft: the second is told, and nothing is lost or half-written; what the program does not know is refused by name', async () => {
    const { id } = await inTx((context) => copyProcedure(context, { procedureId: base, title: 'Two at once' }));
    const { own, draft } = await page(id);
    const keep = (title: string) =>
      inTx((context) => keepDraft(context, { procedureId: id, rowVersion: own!.rowVersion, draft: { ...draft!, title } }));
    await keep('First');
    expect(await refused(keep('Second'))).toMatchObject({ status: 409 });
    expect((await page(id)).draft!.title).toBe('First');
    const foreign = change(id, (one) => ({ ...one, steps: [{ ...one.steps[0]!, kind: 'pray' } as never] }));
    expect(await refused(foreign)).toMatchObject({ status: 400 });
  });

  it('out as JSON and in again as a draft; a correction that ships later is seen, part by part; ended, it is offered to no model', async () => {
    const text = (await inTx(({ tx }) => procedureJson(tx, base)))!;
    const { procedure } = JSON.parse(text) as { procedure: Procedure };
    const { id } = await inTx((context) => takeProcedure(context, { procedure }));
    expect((await page(id)).differs.filter((one) => one.key !== 'head/title')).toEqual([]);
    // As if what it was copied from had been an older version of what ships now.
    const older: Procedure = { ...procedure, version: procedure.version - 1, method: 'An older method.' };
    await world.db
      .update(ownProcedure)
      .set({ basedDocument: older, draft: { ...procedure, id, method: 'An older method.' } })
      .where(eq(ownProcedure.id, id));
    const { corrected } = await page(id);
    expect(corrected).toMatchObject([{ key: 'head/method', both: false }]);
    await inTx((context) => endProcedure(context, { procedureId: id, why: 'not needed', back: false }));
    const listed = await inTx(({ tx }) => listProcedures(tx));
    expect(listed.find((one) => one.id === id)).toMatchObject({ own: true, ended: 'not needed' });
    await inTx((context) => endProcedure(context, { procedureId: id, why: 'needed after all', back: true }));
  });
});
