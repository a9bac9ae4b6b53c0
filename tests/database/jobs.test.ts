import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import JSZip from 'jszip';
import type { Actor } from '@/core/record/event';
import { approveRun, certificatePdfOf, documentsZip } from '@/features/certificates/server';
import { backOffSeconds } from '@/features/due/server/empty-outbox';
import { jobsNow, retryJobs } from '@/features/office/server';
import { askBlankSheet } from '@/features/paper/server';
import { enqueue } from '@/platform/jobs';
import { putMails } from '@/platform/put-mail';
import { freePort } from '../../scripts/lib/system.mjs';
import { addresses } from '../../scripts/lib/cluster.mjs';
import { programOf } from '../../scripts/lib/programs.mjs';
import { openWorld, type World } from './world';

let world: World;
let folder: string;
let env: NodeJS.ProcessEnv;
const running = new Set<ChildProcess>();

function begin(file: string): ChildProcess {
  const child = spawn(process.execPath, programOf(file), { env, stdio: ['ignore', 'pipe', 'inherit'] });
  running.add(child);
  return child;
}
const end = (child: ChildProcess, signal: NodeJS.Signals) =>
  new Promise<void>((resolve) => {
    running.delete(child);
    child.once('exit', () => resolve());
    child.kill(signal);
  });

beforeAll(async () => {
  world = await openWorld();
  folder = mkdtempSync(join(tmpdir(), 'werkbank-jobs-'));
  const port = await freePort();
  const { app, jobs } = addresses(world.cluster, world.name);
  env = {
    ...process.env,
    DATABASE_URL: app,
    JOBS_DATABASE_URL: jobs,
    SMTP_PORT: String(port),
    SMTP_URL: `smtp://127.0.0.1:${port}`,
    WERKBANK_MAIL_FOLDER: folder,
    WERKBANK_MAIL_PATIENCE_MS: '2500',
    LOG_LEVEL: 'fatal',
    WERKBANK_REMINDERS: 'no',
  };
  begin('src/standins/mail-server.ts');
  begin('src/processes/jobs.ts');
  // It takes seconds to start beside other tests.
  const [first] = await post('first@yard.example');
  while ((await stateOf(first)).state !== 'sent') await new Promise((soon) => setTimeout(soon, 100));
});
afterAll(async () => {
  await Promise.all([...running].map((child) => end(child, 'SIGTERM')));
  await world.close();
});

const post = (...recipients: string[]) =>
  world.db.transaction((tx) =>
    putMails(
      tx,
      recipients.map((recipient) => ({ customerId: world.customerId, recipient, subject: 'Due', body: 'Due.' })),
      { now: new Date(), kind: 'test', host: 'test.example' },
    ),
  );
const stateOf = async (id: string | undefined) =>
  (
    await world.app.query<{ state: string; attempts: number; next: boolean }>(
      'select state, attempts, next_try_at > now() as next from mail where id = $1',
      [id],
    )
  ).rows[0]!;

describe('mails are jobs', () => {
  // Measured before: one mailbox that answered 450 stopped all, and a server that fell silent held a request for two minutes.
  it('one mailbox that says "later", one that is full and one that never answers keep nobody else waiting', async () => {
    const [later, full, silent, ...good] = await post(
      'full.soon@a.example',
      'full@b.example',
      'silent@c.example',
      ...['d', 'e', 'f'].map((one) => `${one}@yard.example`),
    );
    for (const id of good) await expect.poll(async () => (await stateOf(id)).state, { timeout: 20_000 }).toBe('sent');
    await expect.poll(async () => (await stateOf(full)).state, { timeout: 20_000 }).toBe('refused');
    await expect.poll(() => stateOf(later), { timeout: 20_000 }).toMatchObject({ state: 'queued', next: true });
    await expect.poll(async () => (await stateOf(silent)).state, { timeout: 20_000 }).toBe('uncertain');
    await expect.poll(async () => (await stateOf(later)).attempts, { timeout: 15_000 }).toBeGreaterThan(1);
  });
  it('the pause grows from seconds to six hours (RFC 5321, 4.5.4.1)', () => {
    expect([1, 4, 8, 10, 24].map(backOffSeconds)).toEqual([3, 55, 2981, 22026, 22026]);
  });
  it('what was rolled back is never sent; the same mail is one job', async () => {
    const before = readdirSync(folder).length;
    await world.db
      .transaction(async (tx) => {
        await putMails(tx, [{ customerId: world.customerId, recipient: 'g@yard.example', subject: '', body: '' }], {
          now: new Date(),
          kind: 'test',
          host: 'x',
        });
        throw new Error('rolled back');
      })
      .catch(() => undefined);
    const [id] = await post('h@yard.example');
    await expect.poll(async () => (await stateOf(id)).state, { timeout: 20_000 }).toBe('sent');
    expect(readdirSync(folder)).toHaveLength(before + 1);
  });
  it('killed while mails wait, and started again: all go out, none twice', async () => {
    const jobs = [...running][1]!;
    await end(jobs, 'SIGKILL');
    const before = readdirSync(folder).length;
    const ids = await post(...Array.from({ length: 20 }, (_one, i) => `mail-${i}@yard.example`));
    begin('src/processes/jobs.ts');
    for (const id of ids) await expect.poll(async () => (await stateOf(id)).state, { timeout: 15_000 }).toBe('sent');
    expect(readdirSync(folder)).toHaveLength(before + 20);
  });
});

describe('what was given up', () => {
  it('is tried again by a press of the office, and of nobody else', async () => {
    const givenUp = async () =>
      (await world.db.transaction((tx) => jobsNow(tx))).find((one) => one.task === 'judgeAnew')?.given_up ?? 0;
    await enqueue(world.db, 'judgeAnew', { suspicionId: 'none' }, { key: 'bad', attempts: 1 });
    await expect.poll(givenUp, { timeout: 20_000 }).toBe(1);
    const retry = (actor: Actor) =>
      world.db.transaction((tx) => retryJobs({ tx, actor, now: new Date() }, { task: 'judgeAnew' }));
    await expect(retry(world.technician)).rejects.toThrow();
    expect(await retry({ id: 'admin', name: 'Admin', role: 'administrator' })).toEqual({ jobs: 1 });
    const tried = () =>
      world.superuser.query<{ attempts: number; max: number }>(
        `select attempts, max_attempts as max from graphile_worker.jobs where task_identifier = 'judgeAnew'`,
      );
    await expect.poll(async () => (await tried()).rows[0]!.attempts, { timeout: 20_000 }).toBeGreaterThan(0);
  });
});

describe('papers are drawn by the jobs process', () => {
  it('a certificate by approving it, without anybody waiting; opened, it is the one that was kept', async () => {
    const { run } = await world.finishedRun();
    await world.db.transaction((tx) => approveRun({ tx, actor: world.signatory, now: new Date() }, { runId: run }));
    const { rows } = await world.app.query<{ id: string }>('select id from certificate where run_id = $1', [run]);
    const certificateId = rows[0]!.id;
    await expect
      .poll(
        async () => (await world.app.query('select 1 from certificate_pdf where certificate_id = $1', [certificateId])).rowCount,
        { timeout: 15_000 },
      )
      .toBe(1);
    const { bytes } = await certificatePdfOf(certificateId);
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    // A choice of documents as one file, read by another library: each with its PDF as issued and its data.
    const stream = await documentsZip([certificateId, certificateId, '00000000-0000-4000-8000-000000000000', 'no id']);
    const zip = await JSZip.loadAsync(await new Response(stream!).arrayBuffer());
    const [pdf, json] = [/\.pdf$/, /\.json$/].map((kind) => Object.keys(zip.files).filter((name) => kind.test(name)));
    expect([pdf!.length, json!.length]).toEqual([1, 1]);
    expect(Buffer.compare(await zip.file(pdf![0]!)!.async('nodebuffer'), bytes)).toBe(0);
    expect(JSON.parse(await zip.file(json![0]!)!.async('string'))).toHaveProperty('content');
    expect(await documentsZip(['no id'])).toBeNull();
  });
  it('a blank sheet while somebody waits; of a model that has none nothing comes, and nothing stays behind', async () => {
    expect(await askBlankSheet({ modelId: randomUUID() })).toBeNull();
    expect((await world.app.query('select 1 from drawn_sheet')).rowCount).toBe(0);
  });
});

describe('who may do what to the queue', () => {
  it('the application leaves jobs of the closed list, and sees and changes nothing in the queue', async () => {
    await expect(enqueue(world.db, 'anything' as never, {} as never, { key: 'x' })).rejects.toMatchObject({
      cause: { code: '23514' },
    });
    for (const sql of [
      'select * from graphile_worker.jobs',
      'delete from graphile_worker._private_jobs',
      `select graphile_worker.add_job('mail')`,
    ])
      await expect(world.app.query(sql)).rejects.toMatchObject({ code: '42501' });
  });
});
