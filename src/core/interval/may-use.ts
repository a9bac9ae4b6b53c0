import type { Fact } from '../words/say';
import '@/core/words/en/window';

/** What is known of an instrument when somebody wants to use it. Days as YYYY-MM-DD. */
export interface UseFacts {
  /** Where it stands: in use, or why not. */
  status: 'inUse' | 'atService' | 'outOfService' | 'outside' | 'retired';
  inHouse: boolean;
  nextDue: string | null;
  /** As left at its last calibration; null where there is none. */
  asLeft: 'within' | 'outside' | 'cannotTell' | 'notMeasured' | null;
  /** It measures gas and warns by it: bumped before each day's use (common practice). */
  bumped: boolean;
  lastBump: { day: string; passed: boolean } | null;
}
export interface MayUse {
  may: 'yes' | 'no' | 'bumpFirst';
  why: Fact;
}

/**
 * Whether an instrument may be used on a day: what hinders most is said first. A due date is good to its end; a bump counts for its own day.
 * Source: common practice (a gas monitor is bumped before each day's use, IEC 60079-29-2 asks for a functional check); local codes and the maker's manual go before it.
 *
 * @example
 * mayUseOn({ status: 'inUse', inHouse: false, nextDue: '2026-12-01', asLeft: 'within', bumped: true, lastBump: null }, '2026-11-29').may // 'bumpFirst'
 */
export function mayUseOn({ status, inHouse, nextDue, asLeft, bumped, lastBump }: UseFacts, today: string): MayUse {
  const no = (why: Fact): MayUse => ({ may: 'no', why });
  if (inHouse) return no({ code: 'use.inHouse' });
  if (status !== 'inUse') return no({ code: `use.${status}` });
  if (asLeft === null || nextDue === null) return no({ code: 'use.neverCalibrated' });
  if (asLeft === 'outside') return no({ code: 'use.leftOutside' });
  if (nextDue < today) return no({ code: 'use.overdue', numbers: { day: nextDue } });
  if (bumped && lastBump?.passed === false) return no({ code: 'use.bumpFailed', numbers: { day: lastBump.day } });
  if (bumped && lastBump?.day !== today) return { may: 'bumpFirst', why: { code: 'use.bumpFirst' } };
  return { may: 'yes', why: { code: 'use.until', numbers: { day: nextDue } } };
}
