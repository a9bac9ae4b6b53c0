import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';

/** What every use case stands on: the transaction, who asks, and when. Free of Next, so that jobs, tests and the demo's seed use the same ones. */
export interface UseCaseContext {
  tx: Transaction;
  actor: Actor;
  now: Date;
}
