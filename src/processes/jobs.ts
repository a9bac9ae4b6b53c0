import { setPriority } from 'node:os';
import { eq } from 'drizzle-orm';
import { Logger, parseCronItems, run, type CronItem } from 'graphile-worker';
import { Pool } from 'pg';
import { closeDatabase, database } from '@/data/connection';
import { houseCheck } from '@/data/schema';
import { markCutOff } from '@/features/due/server';
import { closeMailer } from '@/platform/mailer';
import { closeChangeStream } from '@/platform/change-stream';
import { systemClock } from '@/platform/clock';
import { enqueue } from '@/platform/jobs';
import { log } from '@/platform/log';
import { outboxJob } from '@/platform/put-mail';
import { lookAtDisk } from './jobs/disk';
import { houseGauges } from './jobs/house-gauges';
import { TASKS } from './jobs/tasks';
import { metricsOf } from './metrics';

/**
 * The jobs process: mails, drawings, the night's work. Works the queue off under a role of its own (JOBS_DATABASE_URL); what the jobs do to the records they do as the application. Several may stand side by side.
 */
const AT_ONCE = Number(process.env.WERKBANK_JOBS_AT_ONCE ?? 3);
/** A job that is held for so long belongs to a process that died: the longest takes a minute. The night's work is left alone. */
const DEAD_AFTER_MINUTES = 5;
const SWEEP_MS = 60_000;
const BEHIND = 8;

// Whoever stands at the bench goes first: mails and drawings take what is left of the processor.
setPriority(BEHIND);

const queue = new Pool({ connectionString: process.env.JOBS_DATABASE_URL, max: AT_ONCE + 2 });
queue.on('error', () => undefined);
// A connection that breaks while a job has it is replaced; without a listener it would end the process.
queue.on('connect', (client) => client.on('error', () => undefined));

const metrics = metricsOf('jobs');
houseGauges(metrics, queue);
metrics.listen();

const runner = await run({
  pgPool: queue,
  concurrency: AT_ONCE,
  noHandleSignals: true,
  pollInterval: 2000,
  taskList: TASKS,
  // At night by the machine's clock.
  parsedCronItems: parseCronItems([
    atNight('nightly', process.env.WERKBANK_NIGHTLY ?? '20 2 * * *'),
    // The demo is made anew by a command; a house that works in earnest is kept.
    // Asked every hour: the workshop's own hour and zone are its settings, and a clock that was changed misses none.
    ...(process.env.WERKBANK_REMINDERS === 'no' ? [] : [atNight('reminders', '4 * * * *')]),
    { task: 'returns', match: '*/10 * * * *', options: { backfillPeriod: 0, maxAttempts: 2, jobKey: 'returns' } },
    ...(process.env.WERKBANK_BACKUPS === 'yes' ? [atNight('backup', process.env.WERKBANK_BACKUP_AT ?? '50 1 * * *')] : []),
  ]),
  logger: new Logger(() => (level, message, meta) => {
    if (level === 'error') log.error({ err: meta?.error, job: meta?.job }, message);
  }),
});

/** One that was missed while the machine was off is made up for. */
function atNight(task: 'nightly' | 'backup' | 'reminders', match: string): CronItem {
  return { task, match, options: { backfillPeriod: 86_400_000, maxAttempts: 3, jobKey: task } };
}

async function sweep(): Promise<void> {
  try {
    await lookAtDisk();
    await markCutOff(database(), systemClock().now());
    // Whoever had the outbox in hand may have died with it.
    await enqueue(database(), 'mail', {}, outboxJob);
    await queue.query(
      `select graphile_worker.force_unlock_workers(array_agg(distinct j.locked_by))
       from graphile_worker._private_jobs j join graphile_worker._private_tasks t on t.id = j.task_id
       where j.locked_at < now() - make_interval(mins => $1) and t.identifier not in ('nightly', 'backup')
       having count(*) > 0`,
      [DEAD_AFTER_MINUTES],
    );
  } catch (error) {
    log.warn({ error: String(error) }, 'jobs could not look for what was left behind');
  }
}
/** A house that has not looked at itself yet does so at once, where it is wanted: nobody should wait for a night to see what it finds. */
async function firstNight(): Promise<void> {
  // A house that stood still in its hour makes up for it now.
  if (process.env.WERKBANK_REMINDERS !== 'no') await enqueue(database(), 'reminders', {}, { key: 'reminders', attempts: 3 });
  if (process.env.WERKBANK_FIRST_NIGHT !== 'yes') return;
  const [known] = await database().select({ id: houseCheck.id }).from(houseCheck).where(eq(houseCheck.kind, 'verify')).limit(1);
  if (!known) await enqueue(database(), 'nightly', {}, { key: 'nightly', attempts: 1 });
}
void firstNight().catch((error) => log.warn({ error: String(error) }, 'no first night'));

const sweeping = setInterval(() => void sweep(), SWEEP_MS);
void sweep();
log.info({ atOnce: AT_ONCE }, 'jobs process started');

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  clearInterval(sweeping);
  await runner.stop().catch(() => undefined);
  closeMailer();
  await closeChangeStream();
  await closeDatabase();
  await queue.end();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
// It ended by itself: whoever started it starts it again.
runner.promise.then(
  () => (stopping ? undefined : process.exit(1)),
  (error: unknown) => {
    log.fatal({ err: error }, 'the jobs process ends');
    process.exit(1);
  },
);
