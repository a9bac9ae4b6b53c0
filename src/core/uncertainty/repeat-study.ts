import { requireRange } from '../range-error';

export interface RepeatStudy {
  /** Standard deviation of a single reading, pooled over the series. */
  s: number;
  /** Degrees of freedom of s: readings less series. */
  dof: number;
  n: number;
}
const FEWEST = 5;

/**
 * What a repeat study says: the standard deviation of one reading of a point, pooled over its series (each with a mean of its own).
 * Quantity: in the unit of the readings; range: at least five readings in all, series of at least two. Errors: RangeError saying how many there were.
 * Source: JCGM 100:2008, 4.2.2 and H.3.6 (pooled estimate); at least five readings is common practice.
 *
 * @example
 * repeatStudy({ series: [[10, 11, 10], [12, 12, 11]] }) // { s: 0.577, dof: 4, n: 6 }
 */
export function repeatStudy({ series }: { series: number[][] }): RepeatStudy {
  const n = series.reduce((sum, one) => sum + one.length, 0);
  if (n < FEWEST) throw new RangeError(`series must hold at least ${FEWEST} readings, got ${n}`);
  let squares = 0;
  series.forEach((one, index) => {
    if (one.length < 2) throw new RangeError(`series[${index}] must hold at least two readings, got ${one.length}`);
    one.forEach((reading) => requireRange(`series[${index}]`, reading, -Infinity, Infinity));
    const mean = one.reduce((sum, reading) => sum + reading, 0) / one.length;
    squares += one.reduce((sum, reading) => sum + (reading - mean) ** 2, 0);
  });
  const dof = n - series.length;
  return { s: Math.sqrt(squares / dof), dof, n };
}
