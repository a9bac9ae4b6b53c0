import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { clusterAt, removeCluster, startCluster } from '../../scripts/lib/cluster.mjs';

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
  project.provide('clusterHome', home);
  return () => removeCluster(cluster);
}
