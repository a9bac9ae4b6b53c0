import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Command } from '@/core/run/command';
import { isRefusal, type Refusal } from '@/core/words/refusal';
import { assetCard } from '@/features/assets/server';
import { benchCommand, board, giveCommand, loadRun, placeTicket, startRun, type Given } from '@/features/bench/server';
import { approveRun, sendBack } from '@/features/certificates/server';
import { verifyRecords } from '@/features/office/server';
import { readSettings, writeSettings } from '@/platform/settings';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const as = (actor: World['technician'], now = new Date()) => ({ actor, now });
const give = (run: string, command: Command, commandId: string = randomUUID()): Promise<Given | Refusal> =>
  world.db.transaction((tx) => giveCommand({ tx, ...as(world.technician) }, { run, commandId, command }));
const approve = (run: string) => world.db.transaction((tx) => approveRun({ tx, ...as(world.signatory) }, { runId: run }));

describe('approvals', () => {
  it('30 at once give 30 numbers without a gap', async () => {
    const runs: string[] = [];
    for (let i = 0; i < 30; i += 1) runs.push((await world.finishedRun()).run);
    const issued = await Promise.all(runs.map(approve));
    const serials = issued.map((one) => Number(one.number.slice(-5))).sort((a, b) => a - b);
    expect(serials).toEqual(Array.from({ length: 30 }, (_one, index) => serials[0]! + index));
    expect((await verifyRecords(world.db)).faults).toEqual([]);
  });
  it('a double click, or ten, gives one certificate', async () => {
    const { run } = await world.finishedRun();
    const answers = await Promise.all(Array.from({ length: 10 }, () => approve(run)));
    expect(new Set(answers.map((one) => one.id)).size).toBe(1);
    expect((await world.app.query('select count(*)::int as n from certificate where run_id = $1', [run])).rows[0].n).toBe(1);
  });
  it('a number whose approval failed is given to the next', async () => {
    const before = await approve((await world.finishedRun()).run);
    const failing = await world.finishedRun();
    await expect(
      world.db.transaction(async (tx) => {
        await approveRun({ tx, ...as(world.signatory) }, { runId: failing.run });
        throw new Error('power cut');
      }),
    ).rejects.toThrow('power cut');
    const after = await approve(failing.run);
    expect(Number(after.number.slice(-5))).toBe(Number(before.number.slice(-5)) + 1);
  });
  it('sets the next due date by the policy, only when as left is in tolerance', async () => {
    const good = await world.finishedRun();
    await approve(good.run);
    const bad = await world.finishedRun({ behaviour: { dead: [] }, dueAgreed: false });
    const due = async (id: string) =>
      (await world.app.query('select next_due::text as due, due_basis from asset where id = $1', [id])).rows[0];
    expect((await due(good.assetId)).due).toMatch(/^\d{4}-\d{2}-\d{2}$/);
    expect((await due(good.assetId)).due_basis.reason).toBe('set for this model: every 8 months');
    expect((await due(bad.assetId)).due).toBeNull();
  });
  it('the due date stands on the certificate only where the customer agreed (ISO/IEC 17025:2017, 7.8.4.3)', async () => {
    const content = async (dueAgreed: boolean) => {
      const { id } = await approve((await world.finishedRun({ dueAgreed })).run);
      return (await world.app.query('select content from certificate where id = $1', [id])).rows[0].content;
    };
    expect((await content(true)).due.date).toMatch(/^\d{4}/);
    expect((await content(false)).due).toBeNull();
  });
  it('refuses the one who did the work, unless the workshop’s setting allows it', async () => {
    const { run } = await world.finishedRun();
    const own = { ...world.technician, role: 'signatory' as const };
    const tryOwn = () => world.db.transaction((tx) => approveRun({ tx, ...as(own) }, { runId: run }));
    await expect(tryOwn()).rejects.toThrow(/does not approve/);
    await world.app.query("update setting set value = jsonb_set(value, '{samePersonApproves}', 'true')");
    const { id } = await tryOwn();
    await world.app.query("update setting set value = jsonb_set(value, '{samePersonApproves}', 'false')");
    expect((await world.app.query('select content from certificate where id = $1', [id])).rows[0].content).toMatchObject({
      authorisation: { samePerson: true },
      remarks: [expect.stringContaining('same person')],
    });
  });
  it('a run made with time speeded up is practice and becomes no certificate', async () => {
    process.env.WERKBANK_CLOCK_SPEED = '60';
    const { run } = await world.finishedRun();
    delete process.env.WERKBANK_CLOCK_SPEED;
    await expect(approve(run)).rejects.toThrow(/practice/);
  });
  it('sent back, the run is open again and the note is on record', async () => {
    const { run, ticketId } = await world.finishedRun();
    await world.db.transaction((tx) => sendBack({ tx, ...as(world.signatory) }, { runId: run, note: 'CO looks odd' }));
    expect((await world.db.transaction((tx) => loadRun(tx, run)))!.state).toMatchObject({
      status: 'open',
      sentBack: [{ note: 'CO looks odd' }],
    });
    expect((await world.db.transaction((tx) => board(tx))).tickets.find((ticket) => ticket.id === ticketId)).toMatchObject({
      status: 'inTray',
      sentBack: true,
    });
  });
});

describe('commands', () => {
  const standing = async () => (await world.finishedRun({ stopAt: 'left-zero' })).run;
  const reading = (channel: string, text = '0'): Command => ({
    type: 'captureReading',
    step: 'left-zero',
    point: 'zero',
    channel,
    text,
  });
  const channelOf = async (run: string, role: string) =>
    (await world.db.transaction((tx) => loadRun(tx, run)))!.state.channels.find((one) => one.role === role)!.id;

  it('a retry with the same id is answered the same and written once', async () => {
    const run = await standing();
    const command = reading(await channelOf(run, 'co'));
    const [first, second] = [await give(run, command, 'command-one'), await give(run, command, 'command-one')] as Given[];
    expect(second!.reply).toEqual(first!.reply);
    expect(second!.repeated).toBe(true);
    expect(
      (await world.app.query("select count(*)::int as n from run_event where run_id = $1 and command = 'command-one'", [run]))
        .rows[0].n,
    ).toBe(1);
  });
  it('twenty people capture the same reading at once: one stands, the others are told', async () => {
    const run = await standing();
    const command = reading(await channelOf(run, 'co'));
    const answers = await Promise.all(Array.from({ length: 20 }, () => give(run, command)));
    expect(answers.filter((answer) => !isRefusal(answer))).toHaveLength(1);
    expect(answers.filter(isRefusal).map((one) => one.code)).toEqual(Array(19).fill('alreadyRead'));
    expect((await verifyRecords(world.db)).faults).toEqual([]);
  });
  it('the figures for lists are those of the events, in the same transaction', async () => {
    const run = await standing();
    await give(run, reading(await channelOf(run, 'h2s'), '0.5'));
    const { rows } = await world.app.query(
      "select left_text, left_deviation, left_state from channel_result r join asset_channel c on c.id::text = r.channel where r.run_id = $1 and c.role = 'h2s' and r.point = 'zero'",
      [run],
    );
    expect(rows[0]).toMatchObject({ left_text: '0.5', left_deviation: '0.50', left_state: 'within' });
  });
  it('what a browser posts is checked: no start, no approval, no nonsense', async () => {
    const run = await standing();
    const post = (command: unknown) =>
      world.db.transaction((tx) =>
        benchCommand({ tx, ...as(world.technician) }, { run, commandId: randomUUID(), after: 0, command }),
      );
    await expect(post({ type: 'start' })).rejects.toThrow(/not something a run can do/);
    await expect(post({ type: '__proto__' })).rejects.toThrow(/not something/);
    await expect(post({ type: 'strike', seq: 1, reason: '' })).rejects.toMatchObject({
      errors: expect.arrayContaining([expect.stringContaining('why')]),
    });
    expect(await post({ type: 'approve' })).toMatchObject({ ok: false, refusal: { code: 'notHere' } });
  });
  it('gas off books litres to the bottle', async () => {
    const {
      rows: [before],
    } = await world.app.query('select coalesce(sum(litres), 0)::float as litres from reference_booking where reference_id = $1', [
      world.bottleId,
    ]);
    await world.finishedRun();
    const {
      rows: [after],
    } = await world.app.query('select sum(litres)::float as litres from reference_booking where reference_id = $1', [
      world.bottleId,
    ]);
    expect(after.litres - before.litres).toBeGreaterThan(1);
  });
});

describe('the bench', () => {
  it('a place holds one ticket; the clock keeps running when it moves', async () => {
    const [one, two] = [await world.newTicket(), await world.newTicket()];
    const put = (ticketId: string, place: number | null, now = new Date()) =>
      world.db.transaction((tx) => placeTicket({ tx, ...as(world.technician, now) }, { ticketId, place }));
    const at = new Date('2026-11-24T09:00:00.000Z');
    await put(one.id, 5, at);
    await expect(put(two.id, 5)).rejects.toThrow(/taken/);
    await put(one.id, 6);
    expect((await world.app.query('select placed_at from ticket where id = $1', [one.id])).rows[0].placed_at).toEqual(at);
    const first = await world.db.transaction((tx) => startRun({ tx, ...as(world.technician) }, { ticketId: one.id }));
    expect(await world.db.transaction((tx) => startRun({ tx, ...as(world.technician) }, { ticketId: one.id }))).toEqual(first);
    expect((await world.db.transaction((tx) => loadRun(tx, first.run)))!.state.started!.placedAt).toBe(at.toISOString());
    await put(one.id, null);
  });
});

describe('a process killed in mid-run', () => {
  it('leaves every acknowledged reading, no half-written command, and the run goes on', async () => {
    const { run } = await world.finishedRun({ stopAt: 'left-zero' });
    const child = spawn(
      process.execPath,
      ['node_modules/tsx/dist/cli.mjs', 'tests/database/victim.ts', run, JSON.stringify(world.technician)],
      { env: { ...process.env, DATABASE_URL: process.env.DATABASE_URL }, stdio: ['ignore', 'pipe', 'inherit'], detached: true },
    );
    const acknowledged: number[] = [];
    await new Promise<void>((resolve) => {
      child.stdout.on('data', (chunk: Buffer) => {
        String(chunk)
          .split('\n')
          .filter(Boolean)
          .forEach((line) => acknowledged.push(Number(line)));
        if (acknowledged.length >= 12) {
          process.kill(-child.pid!, 'SIGKILL');
          resolve();
        }
      });
      child.on('exit', () => resolve());
    });
    const loaded = (await world.db.transaction((tx) => loadRun(tx, run)))!;
    const recorded = new Set(loaded.events.filter((event) => event.type === 'noted').map((event) => event.seq));
    expect(acknowledged.length).toBeGreaterThanOrEqual(12);
    for (const seq of acknowledged) expect(recorded.has(seq)).toBe(true);
    expect(loaded.events.map((event) => event.seq)).toEqual(
      Array.from({ length: loaded.events.length }, (_one, index) => index + 1),
    );
    const { rows } = await world.app.query('select last_seq from run_summary where run_id = $1', [run]);
    expect(rows[0].last_seq).toBe(loaded.state.seq);
    expect((await verifyRecords(world.db)).faults).toEqual([]);
    expect(isRefusal(await give(run, { type: 'note', text: 'and on it goes' }))).toBe(false);
  });
});

describe('an old instrument', () => {
  it('shows its newest visits first, says that there are earlier ones, and shows those when asked for', async () => {
    const { run, assetId } = await world.finishedRun();
    await world.superuser.query(
      `with older as (select gen_random_uuid() as id, n from generate_series(1, 30) n), made as (
         insert into run (id, ticket_id, asset_id, customer_id, procedure_id, procedure_version, created_at)
         select o.id, r.ticket_id, r.asset_id, r.customer_id, r.procedure_id, r.procedure_version, r.created_at - o.n * interval '1 year' from older o, run r where r.id = $1 returning id)
       insert into run_summary (run_id, asset_id, customer_id, last_seq, status, as_found, as_left, adjusted, practice, started_at, technician)
       select o.id, s.asset_id, s.customer_id, 1, 'approved', 'within', 'within', false, false, s.started_at - o.n * interval '1 year', s.technician from older o, run_summary s where s.run_id = $1`,
      [run],
    );
    const card = (await world.db.transaction((tx) => assetCard(tx, assetId)))!;
    expect([card.runs.length, card.more, card.runs[0]!.runId]).toEqual([10, true, run]);
    const all = (await world.db.transaction((tx) => assetCard(tx, assetId, { allVisits: true })))!;
    expect([all.runs.length, all.more]).toEqual([31, false]);
    expect(all.runs.slice(0, 10)).toEqual(card.runs);
    const times = all.runs.map((one) => one.startedAt.getTime());
    expect(times).toEqual(times.toSorted((x, y) => y - x));
  });
});

it('a bench place of the second place of work says on the document where it was done (ISO/IEC 17025:2017, 7.8.2.1 c)', async () => {
  const before = await readSettings(world.db);
  await world.db.transaction((tx) => writeSettings(tx, { ...before, secondPlace: 'Service van', secondFrom: 2 }));
  const begun = async (place: number) => {
    const { id } = await world.newTicket();
    const { run } = await world.db.transaction(async (tx) => {
      const context = { tx, actor: world.technician, now: new Date() };
      await placeTicket(context, { ticketId: id, place });
      return startRun(context, { ticketId: id });
    });
    const { rows } = await world.app.query("select data->>'placeOfWork' as place from run_event where run_id = $1 and seq = 1", [
      run,
    ]);
    await world.db.transaction((tx) =>
      placeTicket({ tx, actor: world.technician, now: new Date() }, { ticketId: id, place: null }),
    );
    return rows[0].place as string | null;
  };
  expect([await begun(1), await begun(2)]).toEqual([null, 'Service van']);
  await world.db.transaction((tx) => writeSettings(tx, before));
});
