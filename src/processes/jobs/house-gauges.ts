import { statfs } from 'node:fs/promises';
import type { Pool } from 'pg';
import { pool } from '@/data/connection';
import type { metricsOf } from '../metrics';

const SAID: [name: string, help: string, query: string][] = [
  [
    'jobs_waiting',
    'Jobs that are ready and not begun',
    'select count(*) from graphile_worker.jobs where locked_at is null and run_at <= now()',
  ],
  [
    'jobs_failed',
    'Jobs that failed for the last time',
    'select count(*) from graphile_worker.jobs where attempts >= max_attempts',
  ],
  ['mails_waiting', 'Mails that have not gone out', `select count(*) from mail where state = 'queued'`],
  [
    'records_hold',
    'Whether the newest verification found all records to hold',
    `select coalesce((select ok::int from house_check where kind = 'verify' order by at desc limit 1), 0)`,
  ],
  [
    'verified_age_seconds',
    'Since the newest verification',
    `select coalesce(extract(epoch from now() - max(at)), -1) from house_check where kind = 'verify'`,
  ],
  [
    'backup_age_seconds',
    'Since the newest backup that was made',
    `select coalesce(extract(epoch from now() - max(at)), -1) from house_check where kind = 'backup' and ok`,
  ],
  [
    'page_checksum_failures',
    'Pages of the database that were not what was written',
    'select coalesce(sum(checksum_failures), 0) from pg_stat_database',
  ],
  ['database_bytes', 'Size of the database', 'select pg_database_size(current_database())'],
];

/** What the jobs process knows of the whole house; the queue is asked under its own role. -1: never yet. */
export function houseGauges(
  { gauge }: Pick<ReturnType<typeof metricsOf>, 'gauge'>,
  queue: Pool,
  folder = process.env.WERKBANK_HOME ?? '.',
): void {
  for (const [name, help, query] of SAID)
    gauge(name, help, async () => {
      const { rows } = await (name.startsWith('jobs_') ? queue : pool()).query<Record<string, unknown>>(query);
      return Number(Object.values(rows[0] ?? {})[0] ?? 0);
    });
  gauge('disk_free_bytes', 'Room left where the house keeps its data', async () => {
    const { bavail, bsize } = await statfs(folder);
    return bavail * bsize;
  });
}
