import { requireAbove } from '../range-error';
import type { Fact } from '../words/say';
import type { ComponentDistribution } from './component';
import { normalCdf } from './normal';
import { coverageFactor } from './student';

export interface Contribution {
  contribution: number;
  dof: number | null;
  distribution: ComponentDistribution;
}
export interface Coverage {
  standard: number;
  /** Welch–Satterthwaite; Infinity where nothing was found from readings. */
  effectiveDof: number;
  k: number;
  /** Said only where k is not the t value of the effective degrees of freedom. */
  kReason: Fact | null;
  expanded: number;
}

/** Bounded components weigh when they make up more than half of the variance: below, t (or 2) is within 3 % of the convolution. */
const WEIGHS = 0.5;
const known = new Map<number, number>();

/**
 * Combined and expanded uncertainty of a budget: k from the effective degrees of freedom, or from the convolution where rectangles weigh.
 * Convolution: the two largest rectangles exactly, all the rest as one normal part (widened to its own t where it has few degrees of freedom).
 * Quantity: contributions in the unit of the result; range: coverage above 0 and below 1. Errors: RangeError.
 * Sources: JCGM 100:2008, 5.1.2 and G.4; EA-4/02 M:2022, S9.14 (a dominant rectangle, k = 1.65); JCGM 101:2008, 5.2 (propagation of distributions).
 *
 * @example
 * coverageOf([{ contribution: 0.288675, dof: null, distribution: 'rectangular' }], 0.95).k // 1.645
 */
export function coverageOf(contributions: readonly Contribution[], coverage: number): Coverage {
  requireAbove('coverage', coverage, 0, 0.999999999);
  let [variance, bounded, satterthwaite] = [0, 0, 0];
  for (const { contribution, dof, distribution } of contributions) {
    const share = contribution * contribution;
    variance += share;
    if (distribution === 'rectangular' || distribution === 'triangular') bounded += share;
    if (dof !== null) satterthwaite += (share * share) / dof;
  }
  const standard = Math.sqrt(variance);
  const effectiveDof = satterthwaite === 0 ? Infinity : (variance * variance) / satterthwaite;
  if (variance === 0) return { standard: 0, effectiveDof: Infinity, k: factor(coverage, Infinity), kReason: null, expanded: 0 };
  if (bounded <= WEIGHS * variance) {
    const k = factor(coverage, effectiveDof);
    return { standard, effectiveDof, k, kReason: null, expanded: k * standard };
  }
  const k = convolved(contributions, variance, coverage);
  const share = Math.round((100 * bounded) / variance);
  return {
    standard,
    effectiveDof,
    k,
    kReason:
      share === 100 && contributions.filter((one) => one.contribution > 0).length === 1
        ? { code: 'k.rectangle', numbers: { k: k.toFixed(2), coverage: tidyPercent(coverage) } }
        : { code: 'k.convolution', numbers: { share } },
    expanded: k * standard,
  };
}

const tidyPercent = (coverage: number) => String(Number((100 * coverage).toFixed(2)));

/** Truncated to the next lower integer, as G.4.1 allows; kept, since the same few come again and again. */
function factor(coverage: number, dof: number): number {
  const whole = dof === Infinity ? Infinity : Math.max(1, Math.floor(dof));
  const key = whole === Infinity ? coverage : whole + coverage;
  let k = known.get(key);
  if (k === undefined) known.set(key, (k = coverageFactor({ coverage, dof: whole })));
  return k;
}

/** k of two rectangles with a normal rest. A triangle is two equal rectangles (JCGM 100:2008, 4.3.9). */
function convolved(contributions: readonly Contribution[], variance: number, coverage: number): number {
  const halves = contributions
    .flatMap(({ contribution, distribution }) => {
      if (distribution === 'rectangular') return [contribution * Math.sqrt(3)];
      return distribution === 'triangular' ? Array<number>(2).fill(contribution * Math.sqrt(1.5)) : [];
    })
    .sort((a, b) => b - a);
  const [a, b = 0] = halves as [number, number?];
  let [rest, spread] = [Math.max(0, variance - (a * a + b * b) / 3), 0];
  for (const { contribution, dof } of contributions) if (dof !== null) spread += contribution ** 4 / dof;
  if (spread > 0 && rest > 0) rest *= (factor(coverage, (rest * rest) / spread) / factor(coverage, Infinity)) ** 2;
  const scale = Math.sqrt(variance);
  const target = (1 - (coverage === 0.9545 ? 0.954499736103642 : coverage)) / 2;
  const beyond = tail(a / scale, b / scale, Math.sqrt(rest) / scale);
  let [low, high] = [0, (a + b) / scale + 8];
  let k = 1.8;
  for (let i = 0; i < 60 && high - low > 1e-7; i += 1) {
    const { chance, slope } = beyond(k);
    if (chance > target) low = k;
    else high = k;
    // Newton where it stays inside, else halving.
    const next = slope < 0 ? k - (chance - target) / slope : NaN;
    const inside = next > low && next < high;
    if (inside && Math.abs(next - k) < 1e-7) return next;
    k = inside ? next : (low + high) / 2;
  }
  return k;
}

/** P(X > u) for rectangles of half-widths a ≥ b and a normal part s, and its slope: integrals of the normal distribution function, in closed form. */
function tail(a: number, b: number, s: number): (u: number) => { chance: number; slope: number } {
  const sigma = Math.max(s, 1e-4 * (a + b));
  if (b < 1e-3 * a)
    return (u) => {
      const [upper, lower] = [(a - u) / sigma, (-a - u) / sigma];
      return {
        chance: (sigma / (2 * a)) * (once(upper) - once(lower)),
        slope: (normalCdf(lower) - normalCdf(upper)) / (2 * a),
      };
    };
  const scale = (sigma * sigma) / (4 * a * b);
  const corners = [
    [a + b, 1],
    [a - b, -1],
    [b - a, -1],
    [-a - b, 1],
  ] as const;
  return (u) => {
    let [chance, slope] = [0, 0];
    for (const [corner, sign] of corners) {
      const z = (corner - u) / sigma;
      // The normal distribution function once for both: ∫ Φ = zΦ + φ, ∫∫ Φ = ((z² + 1)Φ + zφ)/2.
      const [cdf, phi] = z < -9 ? [0, 0] : z > 9 ? [1, 0] : [normalCdf(z), density(z)];
      chance += (sign * ((z * z + 1) * cdf + z * phi)) / 2;
      slope -= (sign * (z * cdf + phi)) / sigma;
    }
    return { chance: scale * chance, slope: scale * slope };
  };
}

const density = (z: number) => Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
/** ∫ Φ from −∞ to z. */
const once = (z: number) => (z < -9 ? 0 : z > 9 ? z : z * normalCdf(z) + density(z));
