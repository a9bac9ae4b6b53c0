export interface LoanInstrument {
  /** The workshop lends it. */
  forLoan: boolean;
  /** In use, and neither in the house for work nor with somebody. */
  inUse: boolean;
  inHouse: boolean;
  out: boolean;
  /** Last day on which its calibration holds, YYYY-MM-DD; null where none was ever issued. */
  nextDue: string | null;
  /** What was wrong when it last came back, and no document was issued since. */
  fault: string;
}
export type LoanRefusal = 'notForLoan' | 'notInUse' | 'inHouse' | 'out' | 'fault' | 'neverCalibrated' | 'dueBefore' | 'past';

/**
 * Whether an instrument may be lent until a day; null where it may. It is lent with a calibration that holds all the while, and not after a fault until it was calibrated again: somebody relies on it as on their own (common practice).
 * `day`, `until`: YYYY-MM-DD.
 *
 * @example
 * loanRefusal({ forLoan: true, inUse: true, inHouse: false, out: false, nextDue: '2026-12-01', fault: '' }, { day: '2026-11-28', until: '2026-12-05' }) // 'dueBefore'
 */
export function loanRefusal(one: LoanInstrument, { day, until }: { day: string; until: string }): LoanRefusal | null {
  if (!one.forLoan) return 'notForLoan';
  if (one.out) return 'out';
  if (one.inHouse) return 'inHouse';
  if (!one.inUse) return 'notInUse';
  if (one.fault) return 'fault';
  if (until < day) return 'past';
  if (one.nextDue === null) return 'neverCalibrated';
  return one.nextDue < until ? 'dueBefore' : null;
}
