import { outcomeOf, type Outcome } from '@/core/results/outcome';
import type { Transaction } from '@/data/connection';
import { Problem } from '@/platform/problem';
import { loadRun } from './run-store';

/** What a run amounts to: which paper goes with the instrument. Errors: Problem for a run that does not exist. */
export async function outcomeOfRun(tx: Transaction, runId: string): Promise<Outcome> {
  const loaded = await loadRun(tx, runId);
  if (!loaded) throw new Problem('This run does not exist.', {}, 404);
  return outcomeOf(loaded.procedure, loaded.state);
}
