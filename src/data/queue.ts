import { Logger, runMigrations } from 'graphile-worker';
import type { Client } from 'pg';

const SILENT = new Logger(() => () => undefined);

/** Makes or brings up to date the queue's own tables, as the owner; the role of the jobs process works them off, and nobody else may. */
export async function prepareQueue(address: string, client: Client): Promise<void> {
  await runMigrations({ connectionString: address, logger: SILENT });
  const { rows } = await client.query(`select 1 from pg_roles where rolname = 'werkbank_jobs'`);
  if (!rows.length) return;
  await client.query(`
    grant usage on schema graphile_worker to werkbank_jobs;
    grant select, insert, update, delete on all tables in schema graphile_worker to werkbank_jobs;
    grant usage on all sequences in schema graphile_worker to werkbank_jobs;
    grant execute on all functions in schema graphile_worker to werkbank_jobs`);
}
