// The scripts are plain modules; the tests use their cluster.
declare module '*/scripts/lib/cluster.mjs' {
  export interface Cluster {
    home: string;
    data: string;
    throwAway: boolean;
    state: { port: number; superuser: string; owner: string; app: string };
  }
  export function clusterAt(home: string, options?: { throwAway?: boolean }): Cluster;
  export function startCluster(cluster: Cluster): Promise<{ startedHere: boolean }>;
  export function stopCluster(cluster: Cluster): void;
  export function removeCluster(cluster: Cluster): void;
  export function addresses(cluster: Cluster, database?: string): { superuser: string; owner: string; app: string };
  export function ensureDatabase(cluster: Cluster, database?: string, options?: { template?: string }): void;
  export function dumpDatabase(cluster: Cluster, file: string, database?: string): void;
  export function loadDatabase(cluster: Cluster, file: string, database?: string): void;
}
