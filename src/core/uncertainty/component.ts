import { requireAbove, requireRange } from '../range-error';
import type { Fact, WordCode } from '../words/say';

export type ComponentDistribution = 'normal' | 'rectangular' | 'triangular' | 'uShaped' | 't';
/** What a component of a budget stands for: a closed list, named by the catalogue. */
export type InfluenceId = WordCode extends infer Code ? (Code extends `influence.${infer Id}` ? Id : never) : never;

/** One line of a budget, with everything needed to recompute it. Figures in the unit of the result once multiplied by the sensitivity. */
export interface Component {
  id: InfluenceId;
  basis: Fact;
  kind: 'A' | 'B';
  distribution: ComponentDistribution;
  /** Half-width of a bounded one. */
  half?: number;
  /** Expanded uncertainty of a normal one, with its k. */
  expanded?: number;
  k?: number;
  /** Standard deviation of a single reading and how many were averaged. */
  s?: number;
  n?: number;
  standard: number;
  sensitivity: number;
  /** Degrees of freedom; null where there is no end to them. */
  dof: number | null;
  contribution: number;
  /** A standing value behind it that nobody has confirmed: it may feed no calibration certificate. */
  unconfirmed?: { standing: string; measurand: string; value: number };
}

/** Half-width over standard deviation: JCGM 100:2008, 4.3.7 (rectangular), 4.3.9 (triangular), H.1.3.4 (U-shaped). */
const DIVISORS = { rectangular: Math.sqrt(3), triangular: Math.sqrt(6), uShaped: Math.SQRT2 };
const DIGITS = 6;
/** Six significant digits: more than anything printed rests on. By arithmetic, since texts would cost more than all the rest of a judgement. */
export function tidy(value: number): number {
  const size = Math.abs(value);
  if (Number.isInteger(value) && size < 1e6) return value;
  if (!(size >= 1e-9 && size < 1e6)) return Number(value.toPrecision(DIGITS));
  // A power of ten up to 10^22 is exact, and so is the quotient to the last bit.
  const scale = 10 ** (DIGITS - 1 - Math.floor(Math.log10(size)));
  return Math.round(value * scale) / scale;
}

const finish = (
  given: Omit<Component, 'standard' | 'sensitivity' | 'contribution' | 'dof'> & {
    sensitivity?: number | undefined;
    dof?: number | null;
  },
  standard: number,
): Component => {
  const sensitivity = tidy(given.sensitivity ?? 1);
  return {
    ...given,
    sensitivity,
    dof: given.dof ?? null,
    standard: tidy(standard),
    contribution: tidy(Math.abs(tidy(standard) * sensitivity)),
  };
};

interface Common {
  id: InfluenceId;
  basis: Fact;
  /** Change of the result per unit of this quantity; 1 where left out. */
  sensitivity?: number;
}

/**
 * A component known only by its bounds. Range: half at least 0. Errors: RangeError. Source: JCGM 100:2008, 4.3.7 and 4.3.9.
 *
 * @example
 * bounded({ id: 'resolution', half: 0.5, basis }).standard // 0.288675
 */
export function bounded({
  half,
  distribution = 'rectangular',
  ...common
}: Common & { half: number; distribution?: 'rectangular' | 'triangular' | 'uShaped' }): Component {
  requireRange(`${common.id}.half`, half, 0, Infinity);
  return finish({ ...common, kind: 'B', distribution, half: tidy(half) }, half / DIVISORS[distribution]);
}

/**
 * A component with an expanded uncertainty of its own, as a certificate states it. Range: expanded at least 0, k above 0. Errors: RangeError. Source: JCGM 100:2008, 4.3.3.
 *
 * @example
 * certified({ id: 'reference', expanded: 0.8, k: 2, basis }).standard // 0.4
 */
export function certified({ expanded, k, ...common }: Common & { expanded: number; k: number }): Component {
  requireRange(`${common.id}.expanded`, expanded, 0, Infinity);
  requireAbove(`${common.id}.k`, k, 0);
  return finish({ ...common, kind: 'B', distribution: 'normal', expanded: tidy(expanded), k }, expanded / k);
}

/**
 * A component from readings: standard deviation of one, how many were averaged, degrees of freedom of s (n − 1 unless it was pooled from more).
 * Range: s at least 0, n at least 1, dof at least 1. Errors: RangeError. Source: JCGM 100:2008, 4.2.
 *
 * @example
 * observed({ id: 'repeatability', s: 0.2, n: 4, basis }).standard // 0.1
 */
export function observed({ s, n, dof, ...common }: Common & { s: number; n: number; dof?: number }): Component {
  requireRange(`${common.id}.s`, s, 0, Infinity);
  requireRange(`${common.id}.n`, n, 1, Infinity);
  const freedom = dof ?? n - 1;
  requireRange(`${common.id}.dof`, freedom, 1, Infinity);
  return finish({ ...common, kind: 'A', distribution: 't', s: tidy(s), n: tidy(n), dof: tidy(freedom) }, s / Math.sqrt(n));
}
