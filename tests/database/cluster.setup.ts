import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { addresses, clusterAt, ensureDatabase, removeCluster, startCluster } from '../../scripts/lib/cluster.mjs';
import { migrate } from '../../src/data/migrate';

const TEMPLATE = 'world_template';

declare module 'vitest' {
  export interface ProvidedContext {
    clusterHome: string;
  }
}

/** A throw-away cluster for the whole run; the demo's is never touched. */
export default async function setup(project: TestProject) {
  const home = mkdtempSync(join(tmpdir(), 'werkbank-test-'));
  const cluster = clusterAt(home, { throwAway: true });
  await startCluster(cluster);
  // Migrated once: every world is a copy of it.
  ensureDatabase(cluster, TEMPLATE);
  await migrate(addresses(cluster, TEMPLATE).owner);
  project.provide('clusterHome', home);
  return () => removeCluster(cluster);
}
