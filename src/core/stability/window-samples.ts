/** Readings of one window: how many, their standard deviation, how much each resembles the one before, and how many independent ones they are worth. */
export interface WindowSamples {
  n: number;
  s: number;
  correlation: number;
  worth: number;
}

/**
 * Spread of the readings of a settled window, honestly with their correlation: neighbours resemble each other, so a hundred of them are worth a few.
 * Quantity and unit: those of the readings; range: at least 8 finite readings, evenly apart. Null for fewer, or where all are alike (then the display step says all).
 * Source: JCGM 100:2008, 4.2.2 (s), 4.2.7 and C.3.4 (correlated readings need other methods); worth n(1 − r)/(1 + r) of a first-order process, from memory.
 *
 * @example
 * windowSamples([1, 2, 1, 2, 1, 2, 1, 2]) // { n: 8, s: 0.535, correlation: 0, worth: 8 }: alternating counts as independent
 */
export function windowSamples(values: readonly number[]): WindowSamples | null {
  const n = values.length;
  if (n < 8) return null;
  const mean = values.reduce((sum, one) => sum + one, 0) / n;
  const squares = values.reduce((sum, one) => sum + (one - mean) ** 2, 0);
  if (!(squares > 0)) return null;
  let neighbours = 0;
  for (let i = 1; i < n; i += 1) neighbours += (values[i]! - mean) * (values[i - 1]! - mean);
  const correlation = Math.min(0.99, Math.max(0, neighbours / squares));
  return {
    n,
    s: Number(Math.sqrt(squares / (n - 1)).toPrecision(3)),
    correlation: Number(correlation.toFixed(3)),
    worth: Math.max(1, Number(((n * (1 - correlation)) / (1 + correlation)).toFixed(1))),
  };
}
