import { desc, eq } from 'drizzle-orm';
import type { Transaction } from '@/data/connection';
import { run } from '@/data/schema';
import { loadRun } from '@/features/bench/server';

/** Why an instrument was taken out of service, in a few words, from its last run; empty where nothing failed. */
export async function failureOf(tx: Transaction, assetId: string): Promise<string> {
  const [last] = await tx.select().from(run).where(eq(run.assetId, assetId)).orderBy(desc(run.createdAt)).limit(1);
  const loaded = last ? await loadRun(tx, last.id) : null;
  if (!loaded) return '';
  const { state } = loaded;
  const label = (id: string) => state.channels.find((channel) => channel.id === id)?.label ?? id;
  const retired = Object.keys(state.retired).map((id) => `${label(id)} failed two tries`);
  const bump = state.bumps.at(-1)?.outcome === 'failed' ? [`Bump failed: ${state.bumps.at(-1)!.reasons?.join(' ') ?? ''}`] : [];
  const outside = state.readings
    .filter((one) => one.counts && one.flags.length === 0 && one.judgement.state === 'outside' && one.phase === 'asLeft')
    .map((one) => `${label(one.channel)} outside`);
  return [...new Set([...retired, ...bump, ...outside])].join('; ');
}
