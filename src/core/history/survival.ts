import { requireAbove } from '../range-error';
import { normalQuantile } from '../uncertainty/normal';

/** How long one sensor served, and whether it ended or serves still (then it counts as not ended until today). */
export interface Served {
  days: number;
  ended: boolean;
}
export interface SurvivalStep {
  days: number;
  atRisk: number;
  /** Share that serves longer, with its interval. */
  share: number;
  low: number;
  high: number;
}
export interface Survival {
  steps: SurvivalStep[];
  /** Days that half of them reach; null where fewer than half have ended. */
  median: number | null;
  sensors: number;
  ended: number;
}

/**
 * How many sensors serve how long, those that serve still counted rightly: the product-limit estimate, its interval by Greenwood's variance on the scale of log(−log), so that it stays between 0 and 1.
 * Arguments: days above 0; coverage in (0, 1), 0.95 by default. Errors: RangeError. Source: Kaplan and Meier (1958); Greenwood (1926); Kalbfleisch and Prentice (1980) for the scale.
 *
 * @example
 * survival({ served: [{ days: 400, ended: true }, { days: 500, ended: false }] }).steps[0].share // 0.5
 */
export function survival({ served, coverage = 0.95 }: { served: readonly Served[]; coverage?: number }): Survival {
  requireAbove('coverage', coverage, 0, 0.9999);
  served.forEach(({ days }, index) => requireAbove(`served[${index}].days`, days, 0, 1e6));
  const z = normalQuantile((1 + coverage) / 2);
  const ends = [...new Set(served.filter((one) => one.ended).map((one) => one.days))].sort((a, b) => a - b);
  const steps: SurvivalStep[] = [];
  let [share, greenwood] = [1, 0];
  for (const days of ends) {
    const atRisk = served.filter((one) => one.days >= days).length;
    const ended = served.filter((one) => one.ended && one.days === days).length;
    share *= 1 - ended / atRisk;
    greenwood += ended < atRisk ? ended / (atRisk * (atRisk - ended)) : Infinity;
    steps.push({ days, atRisk, share, ...bounds(share, greenwood, z) });
  }
  return {
    steps,
    median: steps.find((one) => one.share <= 0.5)?.days ?? null,
    sensors: served.length,
    ended: served.filter((one) => one.ended).length,
  };
}

function bounds(share: number, greenwood: number, z: number): { low: number; high: number } {
  if (share <= 0 || share >= 1) return { low: share <= 0 ? 0 : share, high: share };
  const reach = (z * Math.sqrt(greenwood)) / Math.abs(Math.log(share));
  return { low: share ** Math.exp(reach), high: share ** Math.exp(-reach) };
}
