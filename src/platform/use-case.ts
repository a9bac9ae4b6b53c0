import type { Actor } from '@/core/record/event';
import type { Transaction } from '@/data/connection';

/** What every use case stands on: the transaction, who asks, and when. Free of Next, so that jobs, tests and the demo's seed use the same ones. */
export interface UseCaseContext {
  tx: Transaction;
  actor: Actor;
  now: Date;
  /** Where somebody signs: who said once more who they are, and what their name means. */
  signed?: Signed;
}

/** A signature as an act, kept with its document. */
export interface Signed {
  by: string;
  at: string;
  act: 'approve' | 'revise' | 'withdraw';
  meaning: string;
  how: 'password';
}
