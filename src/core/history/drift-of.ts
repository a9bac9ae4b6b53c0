import type { DriftStep } from './drift-steps';

/** Sums of a sensor's steps: all that its rate and scatter need. Days are x, changes are y. */
export interface DriftSums {
  n: number;
  xx: number;
  xy: number;
  yy: number;
  /** Steps that are no drift: the sensor failed. */
  failed: number;
}

/** What is known of the sensors of one kind. Rates in per cent of the tolerance a day. */
export interface DriftGroup {
  sensors: number;
  steps: number;
  rate: number;
  /** Variance of the rate from sensor to sensor. */
  between: number;
  /** Variance of one step about its sensor's line. */
  noise: number;
  dof: number;
  /** Share of steps at whose end a sensor had failed, rather than drifted. */
  failed: number;
}

/** A step of more than so many per cent of the tolerance is a sensor that died or was poisoned, and says nothing of drift. Common practice: nobody recalibrates those. */
export const FAILED_PERCENT = 400;

/** Fewer sensors or steps of a kind say nothing of another one. */
export const LEAST_SENSORS = 8;
export const LEAST_STEPS = 20;

export const sumsOf = (steps: readonly DriftStep[]): DriftSums =>
  steps.reduce<DriftSums>(
    (sums, { days, change }) =>
      Math.abs(change) > FAILED_PERCENT
        ? { ...sums, failed: sums.failed + 1 }
        : {
            ...sums,
            n: sums.n + 1,
            xx: sums.xx + days * days,
            xy: sums.xy + days * change,
            yy: sums.yy + change * change,
          },
    { n: 0, xx: 0, xy: 0, yy: 0, failed: 0 },
  );

/** Squares about the line through the origin. */
export const residualSquares = ({ xx, xy, yy }: DriftSums): number => (xx > 0 ? Math.max(0, yy - (xy * xy) / xx) : 0);

/**
 * How sensors of one kind go: mean rate, how it differs from one to the next, and the scatter of a step about its sensor's own line. Each sensor is a line through the origin; the variance between sensors is what their rates scatter more than
 * their steps explain.
 * Null for too few sensors or steps, or where no sensor has two. Errors: none. Source: DerSimonian and Laird (1986), method of moments; regression through the origin as in JCGM 100:2008, H.3, without intercept.
 *
 * @example
 * driftGroup(fleet.map(sumsOf))?.rate // −0.05 % of the tolerance a day
 */
export function driftGroup(sensors: readonly DriftSums[]): DriftGroup | null {
  const known = sensors.filter((one) => one.n > 0 && one.xx > 0);
  const steps = known.reduce((sum, one) => sum + one.n, 0);
  const dof = known.reduce((sum, one) => sum + one.n - 1, 0);
  if (known.length < LEAST_SENSORS || steps < LEAST_STEPS || dof < 1) return null;
  const noise = known.reduce((sum, one) => sum + residualSquares(one), 0) / dof;
  const weights = known.map((one) => one.xx);
  const rates = known.map((one) => one.xy / one.xx);
  const total = weights.reduce((sum, one) => sum + one, 0);
  const mean = rates.reduce((sum, rate, index) => sum + rate * weights[index]!, 0) / total;
  const scatter = rates.reduce((sum, rate, index) => sum + weights[index]! * (rate - mean) ** 2, 0);
  const squares = weights.reduce((sum, one) => sum + one * one, 0);
  const between = Math.max(0, (scatter - (known.length - 1) * noise) / (total - squares / total));
  // Weighted anew with both variances: a sensor of many steps doesn't stand for all.
  const anew = weights.map((xx) => 1 / (between + (noise > 0 ? noise / xx : 1 / xx)));
  const rate = rates.reduce((sum, one, index) => sum + one * anew[index]!, 0) / anew.reduce((sum, one) => sum + one, 0);
  const failed = sensors.reduce((sum, one) => sum + one.failed, 0);
  return { sensors: known.length, steps, rate, between, noise, dof, failed: failed / (steps + failed) };
}
