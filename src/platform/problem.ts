import type { Refusal } from '@/core/words/refusal';

/** Something a person can put right: shown beside its field, nothing half-written (the transaction is rolled back). */
export class Problem extends Error {
  constructor(
    message: string,
    readonly fields: Record<string, string> = {},
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 415 | 429 | 503 = 400,
    readonly extra: Record<string, unknown> = {},
  ) {
    super(message);
  }

  static fromRefusal(refusal: Refusal): Problem {
    return new Problem(refusal.sentence, refusal.field ? { [refusal.field]: refusal.sentence } : {}, 409, { code: refusal.code });
  }
}
