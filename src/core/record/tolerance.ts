import { Dec, greaterOf } from '../quantity/decimal';

/** Tolerance as agreed: the greater of an absolute and a relative part; zero may have its own. Decimal texts. */
export interface Tolerance {
  absolute?: string;
  percentOfTarget?: string;
  zero?: string;
}

/**
 * Half-width of the tolerance at a target: the greater of the absolute and the relative part, or the zero's own.
 * Source: common practice ("± 2 ppm or ± 10 %, whichever is greater").
 *
 * @example
 * toleranceAt({ tolerance: { absolute: '2', percentOfTarget: '10' }, target: '25', zero: false }) // '2.5'
 */
export function toleranceAt({ tolerance, target, zero }: { tolerance: Tolerance; target: string; zero: boolean }): string {
  if (zero && tolerance.zero !== undefined) return tolerance.zero;
  const absolute = new Dec(tolerance.absolute ?? 0);
  const relative = new Dec(target)
    .abs()
    .times(tolerance.percentOfTarget ?? 0)
    .div(100);
  return greaterOf(absolute, relative).toFixed();
}
