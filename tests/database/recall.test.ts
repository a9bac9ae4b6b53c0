import { eq } from 'drizzle-orm';
import Papa from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Actor } from '@/core/record/event';
import { asset, customer, reference } from '@/data/schema';
import { approveRun, verifyToken } from '@/features/certificates/server';
import { verifyRecords } from '@/features/office/server';
import {
  countUsed,
  decideRecall,
  dropSuspicion,
  judgeSuspicion,
  keepRecallText,
  recallLetters,
  releaseRecall,
  suspect,
  suspicionPage,
  traceBack,
  whereUsed,
  whereUsedCsv,
} from '@/features/recall/server';
import { registerPage } from '@/features/register/server';
import { asActor } from '@/platform/as-actor';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

let world: World;
/** Two runs of Test Yard and one of a customer without a mail address rest on the bottle; one more on its neighbour. */
const runs: { run: string; assetId: string }[] = [];
let dry: string;
let neighbour: string;
const inTx = <T>(work: (context: UseCaseContext) => Promise<T>, actor: Actor = world.signatory) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: new Date() });
  });
const H2S_LOW = { substance: 'H2S', kind: 'value', value: '20.0' } as const;
const asked = { what: 'reference', zone: 'UTC' } as const;

beforeAll(async () => {
  world = await openWorld();
  const [made] = await world.db
    .insert(customer)
    .values({ name: 'Dry Dock', email: '', address: 'Pier 4', contact: '', createdAt: new Date() })
    .returning();
  dry = made!.id;
  const [bottle] = await world.db.select().from(reference).where(eq(reference.id, world.bottleId));
  const { id: own, ...same } = bottle!;
  expect(own).toBe(world.bottleId);
  const [next] = await world.db
    .insert(reference)
    .values({ ...same, lot: 'T-2', certificate: 'T-2/C' })
    .returning();
  neighbour = next!.id;
  for (const options of [{}, {}, { customerId: dry }, { bottleId: neighbour }]) {
    const assetId = await world.newAsset();
    if ('customerId' in options) await world.db.update(asset).set({ customerId: dry }).where(eq(asset.id, assetId));
    runs.push(await world.finishedRun({ ...options, assetId }));
  }
  for (const { run } of runs) await inTx((context) => approveRun(context, { runId: run }));
}, 60_000);
afterAll(() => world.close());

describe('forward: where a reference was used', () => {
  it('every run, document and customer that rests on it, and no other; by lot, procedure and technician; between days; as a table', async () => {
    const of = (given: Partial<Parameters<typeof whereUsed>[1]>) =>
      inTx(({ tx }) => whereUsed(tx, { ...asked, of: world.bottleId, ...given })).then((page) => page.rows);
    expect(new Set((await of({})).map((row) => row.runId))).toEqual(new Set(runs.slice(0, 3).map((one) => one.run)));
    expect(await inTx(({ tx }) => countUsed(tx, { ...asked, of: world.bottleId }))).toEqual({
      runs: 3,
      instruments: 3,
      customers: 2,
      documents: 3,
    });
    expect((await of({ what: 'lot', of: 't-2' })).map((row) => row.runId)).toEqual([runs[3]!.run]);
    expect(await of({ what: 'technician', of: 'Tech' })).toHaveLength(4);
    expect(await of({ what: 'technician', of: 'Nobody' })).toEqual([]);
    const { rows } = await world.app.query('select distinct procedure_id, procedure_version from run');
    expect(await of({ what: 'procedure', of: `${rows[0].procedure_id}/${rows[0].procedure_version}` })).toHaveLength(4);
    expect(await of({ what: 'procedure', of: `${rows[0].procedure_id}/99` })).toEqual([]);
    expect(await of({ to: '2020-01-01' })).toEqual([]);
    expect(await of({ from: '2020-01-01' })).toHaveLength(3);
    // Page by page nothing is left out or comes twice.
    const first = await inTx(({ tx }) => whereUsed(tx, { ...asked, of: world.bottleId, pageSize: 2 }));
    const rest = await inTx(({ tx }) => whereUsed(tx, { ...asked, of: world.bottleId, pageSize: 2, after: first.next! }));
    expect(new Set([...first.rows, ...rest.rows].map((row) => row.runId)).size).toBe(3);
    const csv = Papa.parse<Record<string, string>>(await inTx(({ tx }) => whereUsedCsv(tx, { ...asked, of: world.bottleId })), {
      header: true,
    });
    expect(csv.data.map((row) => row.customer).toSorted()).toEqual(['Dry Dock', 'Test Yard', 'Test Yard']);
    // The barometer of the bench was used in every run.
    const { rows: tools } = await world.app.query("select id from reference where role = 'barometer'");
    expect(await of({ of: tools[0].id })).toHaveLength(4);
  });
  it('what a run used can’t be made up or taken away by the application', async () => {
    await expect(world.app.query('delete from run_reference')).rejects.toMatchObject({ code: '42501' });
    await expect(
      world.app.query('insert into run_reference values ($1, $2, now())', [neighbour, runs[0]!.run]),
    ).rejects.toMatchObject({ code: '42501' });
  });
  it('back: from each value to the certificate of its reference, the hand, and the entry of the record', async () => {
    const traced = (await inTx(({ tx }) => traceBack(tx, runs[0]!.run)))!;
    const h2s = traced.values.find((one) => one.label === 'H₂S' && one.side === 'left' && one.reference)!;
    expect(h2s).toMatchObject({ reference: { id: world.bottleId, lot: 'T-1', certificate: 'T-1/C' }, by: 'Tech' });
    const { rows } = await world.app.query('select hash, data from run_event where run_id = $1 and seq = $2', [
      runs[0]!.run,
      h2s.seq,
    ]);
    expect(h2s.hash).toBe(rows[0].hash);
    expect(rows[0].data.reading.text).toBe(h2s.judged.reading.text);
    expect(await inTx(({ tx }) => traceBack(tx, world.customerId))).toBeNull();
  });
});

describe('a bottle that is suspected', () => {
  const open = (more: object = {}) =>
    inTx(
      (context) => suspect(context, { referenceId: world.bottleId, why: 'A second lab read 20.0', doubts: [H2S_LOW], ...more }),
      world.technician,
    );
  const pageOf = async (id: string) => (await inTx(({ tx }) => suspicionPage(tx, id)))!;

  it('what makes no sense is said beside its field; the counter may not', async () => {
    expect(
      await refused(
        inTx((context) => suspect(context, { referenceId: world.bottleId, why: 'x', doubts: [H2S_LOW] }), {
          ...world.technician,
          role: 'counter',
        }),
      ),
    ).toMatchObject({ status: 403 });
    expect(await refused(open({ doubts: [{ ...H2S_LOW, substance: 'Cl2' }] }))).toMatchObject({
      fields: { doubts: expect.any(String) },
    });
    expect(await refused(open({ from: '2026-02-01', to: '2026-01-01' }))).toMatchObject({ fields: { to: expect.any(String) } });
    expect(await refused(open({ referenceId: world.customerId }))).toMatchObject({ status: 404 });
  });

  it('unfounded: nothing follows, and it can be suspected again', async () => {
    const { id } = await open({ doubts: [{ substance: 'CO', kind: 'unknown' }] });
    expect(await refused(open())).toMatchObject({
      status: 409,
      message: expect.stringMatching(/^It is suspected already: see Q-/),
    });
    expect(await refused(inTx((context) => releaseRecall(context, { id })))).toMatchObject({ status: 409 });
    await judgeSuspicion(world.db, id, new Date());
    const { lines } = await pageOf(id);
    expect(lines).toHaveLength(3);
    expect(lines.every((line) => line.results.every((one) => one.label === 'CO' && one.would === null))).toBe(true);
    expect(lines.every((line) => line.decision === 'withdraw')).toBe(true);
    await inTx((context) => dropSuspicion(context, { id, why: 'It was the second lab.' }));
    expect(await refused(inTx((context) => releaseRecall(context, { id })))).toMatchObject({ status: 409 });
    const { rows } = await world.app.query("select count(*)::int as n from certificate where series = 'W'");
    expect(rows[0].n).toBe(0);
  });

  it('judged anew though killed half-way; decided; released in one act: check pages, letters, due dates, register, bottle', async () => {
    const { id } = await open();
    // Ended after a page: what was judged stays, and the next try goes on behind it.
    const cut = judgeSuspicion(world.db, id, new Date(), { pageSize: 1, signal: AbortSignal.abort() });
    await expect(cut).rejects.toMatchObject({ name: 'AbortError' });
    expect((await pageOf(id)).suspicion).toMatchObject({ judged: 1, judgedAt: null });
    await judgeSuspicion(world.db, id, new Date());
    const page = await pageOf(id);
    expect(page.suspicion).toMatchObject({ runs: 3, judged: 3, judgedAt: expect.any(Date) });
    // Each as-left near 25.0 would be + 5.0 against ± 2.0, whatever its other gases.
    for (const line of page.lines) {
      const left = line.results.find((one) => one.side === 'left')!;
      expect(Number(left.would!.deviation)).toBeCloseTo(Number(left.reading) - 20, 9);
      expect([left.was.verdict, left.would!.verdict]).toEqual(['within', 'outside']);
      expect(line).toMatchObject({ decision: 'withdraw', leftWas: 'within', leftWould: 'outside' });
    }
    const kept = page.lines.find((line) => line.customer === 'Test Yard')!;
    expect(
      await refused(inTx((context) => decideRecall(context, { id, runId: kept.runId, decision: 'tell' }), world.technician)),
    ).toMatchObject({ status: 403 });
    await inTx((context) => decideRecall(context, { id, runId: kept.runId, decision: 'tell' }));
    await inTx((context) => keepRecallText(context, { id, said: 'The bottle held 20 ppm of H₂S.' }));
    // Somebody of theirs books by the window: a letter that calls back says where; to who has nobody at the window it does not.
    await world.superuser.query(
      "insert into customer_contact (id, customer_id, name, email, purposes, created_at) select gen_random_uuid(), id, 'W', 'w' || name || '@dock.example', '{windowActs}', now() from customer where name = 'Dry Dock'",
    );
    const previews = await inTx(async ({ tx }) => recallLetters(tx, await pageOf(id)));
    expect(previews.map(({ customer: name, onPaper }) => [name, onPaper])).toEqual([
      ['Dry Dock', true],
      ['Test Yard', false],
    ]);
    expect(previews.map(({ body, back }) => [back, body.includes('/window')])).toEqual([
      [true, true],
      [true, false],
    ]);

    expect(await inTx((context) => releaseRecall(context, { id }))).toEqual({ letters: 2, withdrawn: 2 });
    expect(await refused(inTx((context) => releaseRecall(context, { id })))).toMatchObject({ status: 409 });
    const { rows: documents } = await world.app.query(
      'select run_id, token from certificate where withdraws is null order by issue_no',
    );
    const states = await Promise.all(
      documents.map(async (row) => [row.run_id, (await inTx(({ tx }) => verifyToken(tx, row.token))).state]),
    );
    expect(Object.fromEntries(states)).toEqual(
      Object.fromEntries(runs.map(({ run }, index) => [run, index < 3 && run !== kept.runId ? 'withdrawn' : 'genuine'])),
    );
    const { rows: mails } = await world.app.query(
      "select recipient, state, body from mail where message_id like '<recall-%' order by recipient",
    );
    expect(mails.map((mail) => [mail.recipient, mail.state])).toEqual([
      ['', 'toPrint'],
      ['yard@test.example', 'queued'],
    ]);
    for (const mail of mails) {
      expect(mail.body).toMatch(/^The bottle held 20 ppm of H₂S\./);
      expect(mail.body).toMatch(/H₂S, .*compared with 25\.0\d*, thought true 20\.0\d*; deviation .*: outside \(stated: within\)/);
      // Gases of the bottle that nobody doubts are not in it.
      expect(mail.body).not.toMatch(/CO,|Combustible/);
    }
    const [bottle] = await world.db.select().from(reference).where(eq(reference.id, world.bottleId));
    expect(bottle!.recalled).toBe('A second lab read 20.0');
    const entry = (await inTx(({ tx }) => registerPage(tx, page.entry.id)))!;
    expect(entry.entry).toMatchObject({ kind: 'recall', referenceId: world.bottleId });
    expect(entry.steps.map((one) => [one.step, one.choice])).toEqual([
      ['evaluation', ''],
      ['told', 'told'],
    ]);
    // Judged beside the records: the runs are as they were, and the chains hold.
    const report = await world.db.transaction((tx) => verifyRecords(tx));
    expect(report.faults).toEqual([]);
  });
});
