import { requireRange } from '../range-error';

export interface LineFit {
  intercept: number;
  slope: number;
  sIntercept: number;
  sSlope: number;
  correlation: number;
  /** Standard deviation of the residuals. */
  residual: number;
  dof: number;
  /** Centre of the arguments and sum of squares about it: what a prediction elsewhere needs. */
  meanX: number;
  sumSquaresX: number;
  predicted?: number;
  sPredicted?: number;
}

/**
 * Straight line by least squares, with the standard uncertainties of its parameters, their correlation, and of the line's value at `at`.
 * Quantity: units of y and x; range: at least three pairs, all finite, x not all equal. Errors: RangeError.
 * Source: JCGM 100:2008, H.3.
 *
 * @example
 * fitLine({ x: [0, 1, 2], y: [1, 3, 5], at: 3 }) // { intercept: 1, slope: 2, predicted: 7, … }
 */
export function fitLine({ x, y, at }: { x: readonly number[]; y: readonly number[]; at?: number }): LineFit {
  const n = x.length;
  if (n < 3) throw new RangeError(`x must hold at least three values, got ${n}`);
  if (y.length !== n) throw new RangeError(`y must hold as many values as x (${n}), got ${y.length}`);
  for (let i = 0; i < n; i += 1) {
    requireRange(`x[${i}]`, x[i]!, -Infinity, Infinity);
    requireRange(`y[${i}]`, y[i]!, -Infinity, Infinity);
  }
  const meanX = x.reduce((sum, value) => sum + value, 0) / n;
  const meanY = y.reduce((sum, value) => sum + value, 0) / n;
  let sumSquaresX = 0;
  let products = 0;
  for (let i = 0; i < n; i += 1) {
    sumSquaresX += (x[i]! - meanX) ** 2;
    products += (x[i]! - meanX) * (y[i]! - meanY);
  }
  if (sumSquaresX === 0) throw new RangeError(`x must hold at least two different values, got ${x[0]} only`);
  const slope = products / sumSquaresX;
  const intercept = meanY - slope * meanX;
  const squares = x.reduce((sum, value, i) => sum + (y[i]! - intercept - slope * value) ** 2, 0);
  const residual = Math.sqrt(squares / (n - 2));
  const sSlope = residual / Math.sqrt(sumSquaresX);
  const sIntercept = residual * Math.sqrt(1 / n + meanX ** 2 / sumSquaresX);
  const fit: LineFit = {
    intercept,
    slope,
    sIntercept,
    sSlope,
    correlation: -meanX / Math.sqrt(sumSquaresX / n + meanX ** 2),
    residual,
    dof: n - 2,
    meanX,
    sumSquaresX,
  };
  if (at === undefined) return fit;
  requireRange('at', at, -Infinity, Infinity);
  return { ...fit, predicted: intercept + slope * at, sPredicted: residual * Math.sqrt(1 / n + (at - meanX) ** 2 / sumSquaresX) };
}
