import { requireAbove } from '../range-error';
import type { Sample } from '../stability/sample';

/**
 * Response time of a pH electrode: from the dip (0 s) until the reading stays within a band about where it settled.
 * Quantity: s; arguments: samples in time order, the settled value (that of a plateau), half the band in the samples' unit (0.05 pH by default). Null when it never stays.
 * Errors: RangeError. Source: common practice (the band is the workshop's).
 *
 * @example
 * electrodeResponse({ samples: [{ seconds: 0, value: 6.5 }, { seconds: 10, value: 6.97 }, { seconds: 20, value: 7 }], settled: 7 }) // 10
 */
export function electrodeResponse({
  samples,
  settled,
  within = 0.05,
}: {
  samples: readonly Sample[];
  settled: number;
  within?: number;
}): number | null {
  requireAbove('within', within, 0);
  let entered: number | null = null;
  for (const { seconds, value } of samples) {
    if (value === null) continue;
    if (Math.abs(value - settled) > within) entered = null;
    else entered ??= seconds;
  }
  return entered;
}
