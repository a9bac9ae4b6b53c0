// The scripts are plain modules; the tests use their cluster.
declare module '*/scripts/lib/cluster.mjs' {
  export interface Cluster {
    home: string;
    data: string;
    throwAway: boolean;
    state: { port: number; superuser: string; owner: string; app: string };
    alive: () => boolean;
  }
  export function clusterAt(home: string, options?: { throwAway?: boolean }): Cluster;
  export function startCluster(cluster: Cluster): Promise<{ startedHere: boolean }>;
  export function stopCluster(cluster: Cluster): void;
  export function removeCluster(cluster: Cluster): void;
  export function addresses(
    cluster: Cluster,
    database?: string,
  ): Record<'superuser' | 'owner' | 'app' | 'public' | 'backup' | 'jobs', string>;
  export function ensureDatabase(cluster: Cluster, database?: string, options?: { template?: string }): void;
  export function dumpDatabase(cluster: Cluster, file: string, database?: string): void;
  export function loadDatabase(cluster: Cluster, file: string, database?: string): void;
}
declare module '*/scripts/lib/system.mjs' {
  export function freePort(): Promise<number>;
}
declare module '*/scripts/lib/supervisor.mjs' {
  import type { ChildProcess } from 'node:child_process';
  import type { Cluster } from '*/scripts/lib/cluster.mjs';
  type Begin = (onExit: (code: number | null, signal: string | null) => void) => ChildProcess;
  export function supervisor(options?: { say?: (text: string) => void; lookEveryMs?: number }): {
    keep(name: string, begin: Begin, options?: { alive?: string }): void;
    keepCluster(cluster: Cluster): void;
    stop(): Promise<void>;
  };
}
declare module '*/scripts/lib/archive.mjs' {
  export function toForget(names: string[]): string[];
}
declare module '*/scripts/lib/project.mjs' {
  import type { Cluster } from '*/scripts/lib/cluster.mjs';
  export function migrate(cluster: Cluster, database?: string): void;
}
declare module '*/scripts/lib/browser.mjs' {
  export const WINDOWED: string;
  export function browser(): string;
}
declare module '*/scripts/lib/programs.mjs' {
  export const MADE: string[];
  export function programOf(file: string): string[];
  export function takePrograms(): void;
}
