import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { simpleParser } from 'mailparser';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { markCutOff } from '@/features/due/server';
import { putMails } from '@/platform/put-mail';
import { addresses } from '../../scripts/lib/cluster.mjs';
import { programOf } from '../../scripts/lib/programs.mjs';
import { freePort } from '../../scripts/lib/system.mjs';
import { openWorld, type World } from './world';

/** So many times one of the two is killed: npm run test:long -- kills. On an ordinary day one is killed in jobs.test.ts. */
const KILLS = Number(process.env.WERKBANK_KILLS ?? 0);
const MAILS = Math.min(200, 50 * KILLS);

let world: World;
let folder: string;
let env: NodeJS.ProcessEnv;
const running: ChildProcess[] = [];
const begin = (file: string): ChildProcess => {
  const child = spawn(process.execPath, programOf(file), { env, stdio: ['ignore', 'ignore', 'inherit'] });
  running.push(child);
  return child;
};
const arrived = () => readdirSync(folder).length;
const until = async (done: () => boolean | Promise<boolean>, ms = 60_000) => {
  const end = Date.now() + ms;
  while (!(await done()) && Date.now() < end) await new Promise((soon) => setTimeout(soon, 15));
};

beforeAll(async () => {
  if (KILLS === 0) return;
  world = await openWorld();
  folder = mkdtempSync(join(tmpdir(), 'werkbank-killed-'));
  const port = await freePort();
  const { app, jobs } = addresses(world.cluster, world.name);
  env = {
    ...process.env,
    DATABASE_URL: app,
    JOBS_DATABASE_URL: jobs,
    SMTP_PORT: String(port),
    SMTP_URL: `smtp://127.0.0.1:${port}`,
    WERKBANK_MAIL_FOLDER: folder,
    // A server that takes its time, so that a kill meets mails at every stage of their way.
    MAIL_STANDIN_SLOW_MS: '60',
    LOG_LEVEL: 'silent',
    WERKBANK_REMINDERS: 'no',
  };
});
afterAll(async () => {
  for (const child of running) child.kill('SIGKILL');
  if (KILLS > 0) await world.close();
});

describe.runIf(KILLS > 0)('two job processes, one after the other killed in the midst of their mails', () => {
  it(
    'each customer’s mail arrives once, or is marked as not known; none is lost, and none is sent twice by itself',
    async () => {
      begin('src/standins/mail-server.ts');
      const workers = [begin('src/processes/jobs.ts'), begin('src/processes/jobs.ts')];
      const recipients = Array.from({ length: MAILS }, (_one, at) => `customer-${at}@yard.example`);
      await world.db.transaction((tx) =>
        putMails(
          tx,
          recipients.map((recipient) => ({ customerId: world.customerId, recipient, subject: 'Due', body: 'Due.' })),
          { now: new Date(), kind: 'test', host: 'test.example' },
        ),
      );
      for (let kill = 0; kill < KILLS; kill += 1) {
        await until(() => arrived() >= Math.min(MAILS - 5, (kill * MAILS) / KILLS + 3 + (kill % 5)), 30_000);
        const at = kill % 2;
        workers[at]!.kill('SIGKILL');
        workers[at] = begin('src/processes/jobs.ts');
      }
      const waiting = async () =>
        (await world.app.query<{ n: number }>(`select count(*)::int as n from mail where state in ('queued', 'sending')`))
          .rows[0]!.n;
      // What a dead process had in hand is nobody's until it is said to be uncertain: here after twenty seconds instead of two minutes.
      await until(async () => {
        await markCutOff(world.db, new Date(Date.now() + 100_000));
        return (await waiting()) === 0;
      });
      const { rows } = await world.app.query<{ recipient: string; state: string }>('select recipient, state from mail');
      expect(rows.filter(({ state }) => state !== 'sent' && state !== 'uncertain')).toEqual([]);
      const letters = await Promise.all(readdirSync(folder).map((file) => simpleParser(readFileSync(join(folder, file)))));
      const times = new Map<string, number>();
      for (const letter of letters) {
        const to = [letter.to].flat()[0]!.text;
        times.set(to, (times.get(to) ?? 0) + 1);
      }
      expect([...times].filter(([, n]) => n > 1)).toEqual([]);
      // Sent means arrived; what did not arrive is uncertain, and stands before the counter.
      for (const { recipient, state } of rows) if (state === 'sent') expect(times.get(recipient), recipient).toBe(1);
      const uncertain = rows.filter(({ state }) => state === 'uncertain').length;
      // No more than what each that was killed had in hand, and one that the machine starved.
      expect(uncertain).toBeLessThanOrEqual(8 * (KILLS + 1));
      expect(uncertain).toBeGreaterThan(0);
    },
    KILLS * 15_000 + 60_000,
  );
});
