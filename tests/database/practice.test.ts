import { addMonths, format, subDays } from 'date-fns';
import Papa from 'papaparse';
import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Act } from '@/core/practice/act';
import { workAsMaster } from '@/core/practice/master';
import { practiceAttempt, practiceExercise } from '@/data/schema';
import { runView } from '@/features/bench/server';
import { approveRun } from '@/features/certificates/server';
import {
  competenceCsv,
  correctCompetence,
  endCompetence,
  giveCompetence,
  listCompetence,
  watchRun,
} from '@/features/competence/server';
import { addUser, listChanges, verifyRecords } from '@/features/office/server';
import {
  attemptPage,
  attemptsCsv,
  correctExercise,
  endExercise,
  exerciseFor,
  keepAttempt,
  listAttempts,
  listExercises,
  makeExercise,
} from '@/features/practice/server';
import { asActor } from '@/platform/as-actor';
import { dateIn } from '@/platform/clock';
import { readSettings, writeSettings } from '@/platform/settings';
import type { UseCaseContext } from '@/platform/use-case';
import { refused } from './refused';
import { openWorld, type World } from './world';

const GAS = 'four-gas-leak-monitor';
const inMonths = (months: number) => format(addMonths(new Date(), months), 'yyyy-MM-dd');
const FAR = inMonths(24);
const CORRECTED = inMonths(12);
let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());
const as = <T>(work: (context: UseCaseContext) => Promise<T>, actor = world.technician) =>
  world.db.transaction(async (tx) => {
    await asActor(tx, actor, 'test');
    return work({ tx, actor, now: new Date() });
  });
const asked = (seed = 4) => ({ kind: 'findFault' as const, seed, models: [world.modelId] });

/** What a master does in an exercise, as a browser would send it. */
async function acts(seed = 4) {
  const found = await as(({ tx }) => exerciseFor(tx, asked(seed)));
  const began = new Date(Date.now() - 3_600_000);
  const worked = workAsMaster(found!.exercise, { start: began, actor: world.technician, id: `${world.technician.id}-${seed}` });
  return { began: began.toISOString(), acts: worked.done.map((one) => one.act) };
}
const keep = async (seed: number, change: (all: Act[]) => unknown[] = (all) => all) => {
  const done = await acts(seed);
  return as((context) =>
    keepAttempt(context, { ...asked(seed), own: undefined, began: done.began, acts: change(done.acts) as object[] }),
  );
};

describe('an exercise, kept', () => {
  it('is done again by the house and scored from what comes of it; what was done and what a master does stand side by side; none is changed', async () => {
    const good = await keep(4);
    expect(good.points).toBeGreaterThanOrEqual(95);
    const worse = await keep(4, (all) => all.filter((one) => one.do !== 'diagnose' && one.do !== 'look'));
    expect(worse.points).toBeLessThanOrEqual(70);
    const left = await keep(4, (all) => all.slice(0, 10));
    expect(left.points).toBeNull();
    const page = await as(({ tx }) => attemptPage(tx, worse.id));
    expect(page!.one.findings.map((one) => one.code)).toContain('wrongDiagnosis');
    expect(page!.one.debrief.length).toBeGreaterThan(8);
    expect(page!.one.debrief.every((row) => row.own.length + row.master.length > 0)).toBe(true);
    expect((await as(({ tx }) => listAttempts(tx, { person: world.technician.id }))).rows.map((one) => one.points)).toEqual([
      null,
      worse.points,
      good.points,
    ]);
    expect(Papa.parse(await as(({ tx }) => attemptsCsv(tx)), { header: true }).data).toHaveLength(3);
    await expect(world.app.query('update practice_attempt set points = 100')).rejects.toThrow();
    await expect(world.app.query('delete from practice_attempt')).rejects.toThrow();
  });
  it('what nobody can do, time that goes back, a place that is not there, hours that have not passed: refused, nothing kept', async () => {
    const before = await world.db.$count(practiceAttempt);
    expect(await refused(keep(5, (all) => [...all, { do: 'fly', at: 9e6, place: 1 }]))).toMatchObject({ status: 409 });
    expect(await refused(keep(5, (all: Act[]) => [...all].reverse()))).toMatchObject({
      status: 409,
      fields: { acts: expect.stringContaining('back') },
    });
    expect(await refused(keep(5, (all) => all.map((one) => ({ ...one, place: 7 }))))).toMatchObject({ status: 409 });
    expect(await refused(keep(5, (all) => all.map((one) => ({ ...one, at: one.at + 9_000_000 }))))).toMatchObject({
      status: 409,
    });
    expect(
      await refused(
        as((context) =>
          keepAttempt(context, {
            kind: 'own',
            seed: 0,
            models: [],
            own: world.modelId,
            began: new Date().toISOString(),
            acts: [],
          }),
        ),
      ),
    ).toMatchObject({ status: 404 });
    expect(await world.db.$count(practiceAttempt)).toBe(before);
  });
});

describe('an exercise made of a run', () => {
  it('has the instrument as it came and nothing of whose it was; is called otherwise, the second of two sees the first’s; is ended', async () => {
    const { run, assetId } = await world.finishedRun();
    const { id } = await as((context) => makeExercise(context, { run, title: 'The one that reads low' }));
    const [row] = await world.db.select().from(practiceExercise).where(eq(practiceExercise.id, id));
    const { rows } = await world.app.query(
      'select a.serial, a.tag, c.name, c.address from asset a join customer c on c.id = a.customer_id where a.id = $1',
      [assetId],
    );
    const text = JSON.stringify(row!.content);
    for (const one of [rows[0].serial, rows[0].tag, rows[0].name, world.technician.name, assetId, run])
      if (one) expect(text).not.toContain(one);
    expect(Object.keys(row!.content.asFound).length).toBeGreaterThan(2);
    const worked = await as(({ tx }) => exerciseFor(tx, { kind: 'own', seed: 0, models: [], own: id }));
    expect(workAsMaster(worked!.exercise, { start: new Date(), actor: world.technician, id: 'm' }).ended()).toBe(true);
    await as((context) => correctExercise(context, { id, title: 'The one from the yard', seen: 'The one that reads low' }));
    expect(
      await refused(as((context) => correctExercise(context, { id, title: 'Mine', seen: 'The one that reads low' }))),
    ).toMatchObject({
      status: 409,
      fields: { title: expect.stringContaining('The one from the yard') },
    });
    expect((await as(({ tx }) => listExercises(tx)))[0]).toMatchObject({ title: 'The one from the yard', worked: 0 });
    await as((context) => endExercise(context, { id, reason: 'everybody knows it' }));
    expect(await as(({ tx }) => exerciseFor(tx, { kind: 'own', seed: 0, models: [], own: id }))).toBeNull();
    const { rows: changes } = await as(({ tx }) => listChanges(tx, { table: 'practice_exercise' }));
    expect(JSON.stringify(changes)).toContain('The one from the yard');
  });
  it('a run that is still worked on makes none', async () => {
    const { run } = await world.finishedRun({ stopAt: 'found-zero' });
    expect(await refused(as((context) => makeExercise(context, { run, title: 'too soon' })))).toMatchObject({ status: 409 });
  });
});

describe('who is authorised for what (ISO/IEC 17025:2017, 6.2)', () => {
  const give = (more: object, actor = world.signatory, now = new Date()) =>
    as(
      (context) =>
        giveCompetence({ ...context, now }, {
          person: world.technician.id,
          procedure: GAS,
          basis: 'word',
          why: 'Ten years at this bench, seen every week.',
          endsOn: FAR,
          ...more,
        } as never),
      actor,
    );
  it('rests on what is there: an exercise worked well, a run that was watched, or a word; nobody authorises themselves; corrected, ended, exported', async () => {
    await expect(give({}, world.technician)).rejects.toThrow(/may|role|can’t/);
    expect(await refused(give({ person: world.signatory.id }))).toMatchObject({
      fields: { person: expect.stringContaining('themselves') },
    });
    expect(await refused(give({ basis: 'watched' }))).toMatchObject({ fields: { basis: expect.stringContaining('watched') } });
    expect(await refused(give({ basis: 'practice', procedure: 'turbidity-meter' }))).toMatchObject({
      fields: { basis: expect.stringContaining('80') },
    });
    expect(await refused(give({ endsOn: inMonths(-1) }))).toMatchObject({ fields: { endsOn: expect.stringContaining('ahead') } });
    expect(await refused(give({ endsOn: inMonths(37) }))).toMatchObject({
      fields: { endsOn: expect.stringContaining('3 years') },
    });
    // The exercise of before was worked well, and of this procedure.
    await give({ basis: 'practice' });
    expect(await refused(give({}))).toMatchObject({ fields: { procedure: expect.stringContaining('already') } });
    const today = await as(async ({ tx }) => dateIn((await readSettings(tx)).zone, new Date()));
    const list = () => as(({ tx }) => listCompetence(tx, { today }));
    const [held] = await list();
    expect(held).toMatchObject({ personName: world.technician.name, basis: 'practice', stands: 'valid', endsOn: FAR });
    await as(
      (context) =>
        correctCompetence(context, { id: held!.id, why: 'Practised, and seen at the bench since.', endsOn: CORRECTED }),
      world.signatory,
    );
    await as((context) => endCompetence(context, { id: held!.id, reason: 'Two readings were made up.' }), world.signatory);
    expect((await list())[0]).toMatchObject({ stands: 'ended', ended: expect.stringContaining('made up') });
    expect(
      await refused(as((context) => endCompetence(context, { id: held!.id, reason: 'once more, by mistake' }), world.signatory)),
    ).toMatchObject({ status: 409 });
    const [line] = Papa.parse<Record<string, string>>(await as(({ tx }) => competenceCsv(tx, today)), { header: true }).data;
    expect(line).toMatchObject({ person: world.technician.name, stands: 'ended' });
    const { rows } = await as(({ tx }) => listChanges(tx, { table: 'competence' }));
    expect(JSON.stringify(rows)).toContain(CORRECTED);
  });
  it('where the setting says so, work of who isn’t authorised is watched: the bench says it, nothing is approved before, and only who may says that they watched', async () => {
    await as(async ({ tx }) => writeSettings(tx, { ...(await readSettings(tx)), worksWatched: true }), world.signatory);
    const { run } = await world.finishedRun();
    const approve = () => as((context) => approveRun(context, { runId: run }), world.signatory);
    const view = await as(({ tx }) => runView(tx, run, world.technician));
    expect(view!.watch).toMatchObject({ person: { id: world.technician.id }, watchers: [], watched: null });
    expect(await refused(approve())).toMatchObject({ status: 409, message: expect.stringContaining('nobody watched') });
    expect(await refused(as((context) => watchRun(context, { run, note: '' })))).toMatchObject({ status: 409 });
    expect(await refused(as((context) => watchRun(context, { run, note: '' }), world.signatory))).toMatchObject({ status: 403 });
    // Another signatory authorises the first.
    const office = { id: 'u-counter', name: 'Counter', role: 'administrator' } as const;
    const ilse = { name: 'Ilse Varn', email: 'ilse@varn.example', role: 'signatory', password: 'quiet harbours, four' } as const;
    const { id: ilseId } = await as((context) => addUser(context, ilse), office);
    const second = { id: ilseId, name: ilse.name, role: ilse.role };
    // A run of this world began an hour ago, which may be yesterday.
    const yesterday = subDays(new Date(), 1);
    await give({ person: world.signatory.id }, second, yesterday);
    await as((context) => watchRun(context, { run, note: 'from purge to as left' }), world.signatory);
    expect(await refused(as((context) => watchRun(context, { run, note: '' }), world.signatory))).toMatchObject({ status: 409 });
    expect((await as(({ tx }) => runView(tx, run, world.technician)))!.watch!.watched).toMatchObject({
      by: world.signatory.name,
    });
    await approve();
    // A watched run is grounds.
    await give({ basis: 'watched' }, world.signatory, yesterday);
    const { run: next } = await world.finishedRun();
    expect((await as(({ tx }) => runView(tx, next, world.technician)))!.watch).toBeUndefined();
    expect((await verifyRecords(world.db)).faults).toEqual([]);
  });
});
