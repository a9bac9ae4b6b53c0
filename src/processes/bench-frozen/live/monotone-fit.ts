import { nonNegativeFit } from './non-negative-fit';

/** Time constants that a response may be made of, from the slowest down to this share of it, evenly spaced in their logarithm. */
const TIME_CONSTANTS = 17;
const SHORTEST_SHARE = 0.03;
/** One more, slower than any that is allowed: where it helps the fit, the response is none of those that can be judged. */
const GUARD = 4;

/**
 * The best fit of final - Σ aⱼ·e^(-t/τⱼ) with aⱼ ≥ 0 to a rising tail (a falling one is turned first), from sums alone: any final value can then be tried in constant time.
 * Readings in time order, at least three; slowest time constant in s. Source: least squares, Lawson and Hanson 1974.
 */
export class MonotoneFit {
  /** Final value that fits best, and the sum of squares that it leaves. */
  readonly final: number;
  readonly leftOver: number;
  /** How much the sum of squares would fall with a time constant slower than any allowed. */
  readonly gainOfSlower: number;
  private readonly gram: Float64Array;
  private readonly ones: Float64Array;
  private readonly products: Float64Array;
  private readonly n: number;
  private sum = 0;
  private sumSquares = 0;

  constructor(readings: readonly { seconds: number; value: number }[], slowest: number) {
    const taus = [
      ...Array.from({ length: TIME_CONSTANTS }, (_unused, j) => slowest * SHORTEST_SHARE ** (j / (TIME_CONSTANTS - 1))),
      slowest * GUARD,
    ];
    const m = taus.length;
    const start = readings[0]!.seconds;
    const base = readings[readings.length - 1]!.value;
    this.n = readings.length;
    const gram = new Float64Array(m * m);
    const ones = new Float64Array(m);
    const products = new Float64Array(m);
    const row = new Float64Array(m);
    for (const reading of readings) {
      const y = reading.value - base;
      this.sum += y;
      this.sumSquares += y * y;
      for (let j = 0; j < m; j += 1) row[j] = Math.exp(-(reading.seconds - start) / taus[j]!);
      for (let j = 0; j < m; j += 1) {
        ones[j] = ones[j]! + row[j]!;
        products[j] = products[j]! + row[j]! * y;
        for (let i = 0; i <= j; i += 1) gram[j * m + i] = gram[i * m + j] = gram[j * m + i]! + row[j]! * row[i]!;
      }
    }
    this.base = base;
    const withGuard = this.freeFinal(gram, ones, products, m);
    this.gram = leading(gram, m, TIME_CONSTANTS);
    this.ones = ones.slice(0, TIME_CONSTANTS);
    this.products = products.slice(0, TIME_CONSTANTS);
    const plain = this.freeFinal(this.gram, this.ones, this.products, TIME_CONSTANTS);
    this.final = plain.final + base;
    this.leftOver = plain.squares;
    this.gainOfSlower = Math.max(0, plain.squares - withGuard.squares);
  }

  private readonly base: number;

  /** Sum of squares left for a given final value: convex in it, least at `final`. */
  squares(final: number): number {
    const f = final - this.base;
    const right = this.ones.map((one, j) => f * one - this.products[j]!);
    return Math.max(0, this.n * f * f - 2 * f * this.sum + this.sumSquares + 2 * nonNegativeFit(this.gram, right).minimum);
  }

  /** The final value on one side of the best at which the sum of squares reaches a limit; the search ends at `farthest` from the best. */
  edge(direction: 1 | -1, limit: number, farthest: number): number {
    // The root of the sum of squares grows about evenly, so a chord finds the place in a few steps.
    const over = (distance: number) =>
      Math.sqrt(Math.max(0, this.squares(this.final + direction * distance) - this.leftOver)) -
      Math.sqrt(Math.max(0, limit - this.leftOver));
    let inside = 0;
    let below = over(0);
    let outside = farthest / 128;
    let above = over(outside);
    while (above < 0 && outside < farthest) {
      [inside, below] = [outside, above];
      outside *= 2;
      above = over(outside);
    }
    for (let i = 0; i < 8 && above > 0; i += 1) {
      const middle = Math.min(outside, Math.max(inside, inside + ((outside - inside) * -below) / (above - below || 1)));
      const there = over(middle);
      if (there > 0) [outside, above] = [middle, there];
      else [inside, below] = [middle, there];
      if (outside - inside < 1e-3 * outside) break;
    }
    return this.final + direction * outside;
  }

  /** The final value left free: it drops out of the normal equations when the columns are taken about their means. */
  private freeFinal(
    gram: Float64Array,
    ones: Float64Array,
    products: Float64Array,
    m: number,
  ): { final: number; squares: number } {
    const { n, sum } = this;
    const centred = gram.map((value, at) => value - (ones[Math.floor(at / m)]! * ones[at % m]!) / n);
    const right = products.map((value, j) => (ones[j]! * sum) / n - value);
    const { coefficients, minimum } = nonNegativeFit(centred, right);
    const final = (sum + coefficients.reduce((total, a, j) => total + a * ones[j]!, 0)) / n;
    return { final, squares: Math.max(0, this.sumSquares - (sum * sum) / n + 2 * minimum) };
  }
}

function leading(gram: Float64Array, m: number, k: number): Float64Array {
  const out = new Float64Array(k * k);
  for (let i = 0; i < k; i += 1) for (let j = 0; j < k; j += 1) out[i * k + j] = gram[i * m + j]!;
  return out;
}
