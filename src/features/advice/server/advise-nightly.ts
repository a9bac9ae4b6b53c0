import type { Database } from '@/data/connection';
import { keepHouseCheck } from '@/platform/house-check';
import { adviseAll } from './advise';
import { keepModelHistories } from './model-histories';

/** What history advises, made anew: first what the instruments of each model say together, then each instrument's own. */
export async function adviseNightly(db: Database, now: Date): Promise<void> {
  const began = Date.now();
  const models = await keepModelHistories(db, now);
  const instruments = await adviseAll(db, now);
  await keepHouseCheck(db, { kind: 'advice', at: now, tookMs: Date.now() - began, ok: true, detail: { models, instruments } });
}
