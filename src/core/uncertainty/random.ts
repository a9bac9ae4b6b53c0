import { requireRange } from '../range-error';

/** A seeded source of uniform numbers in [0, 1): the same seed gives the same sequence on every machine. */
export type Uniform = () => number;

/**
 * Seeded uniform generator, 32 bits a draw, period 2^128 - 1.
 * Argument: whole seed, 0 to 2^53 - 1. Errors: RangeError. Source: xoshiro128++ (Blackman and Vigna 2021), seeded by splitmix32.
 *
 * @example
 * seededUniform(1)() === seededUniform(1)() // true
 */
export function seededUniform(seed: number): Uniform {
  requireRange('seed', seed, 0, Number.MAX_SAFE_INTEGER);
  if (!Number.isInteger(seed)) throw new RangeError(`seed must be a whole number, got ${seed}`);
  let mix = (seed ^ Math.floor(seed / 2 ** 32)) | 0;
  const split = () => {
    mix = (mix + 0x9e3779b9) | 0;
    let z = mix ^ (mix >>> 16);
    z = Math.imul(z, 0x21f0aaad);
    z ^= z >>> 15;
    z = Math.imul(z, 0x735a2d97);
    return (z ^ (z >>> 15)) | 0;
  };
  let [a, b, c, d] = [split(), split(), split(), split()];
  return () => {
    const sum = (a + d) | 0;
    const result = (((sum << 7) | (sum >>> 25)) + a) | 0;
    const t = b << 9;
    c ^= a;
    d ^= b;
    b ^= c;
    a ^= d;
    c ^= t;
    d = (d << 11) | (d >>> 21);
    return (result >>> 0) / 4294967296;
  };
}

/**
 * Standard normal numbers from uniform ones, two at a time.
 * Source: polar method (Marsaglia and Bray 1964).
 */
export function normalFrom(uniform: Uniform): () => number {
  let kept = 0;
  let has = false;
  return () => {
    if (has) {
      has = false;
      return kept;
    }
    for (;;) {
      const u = 2 * uniform() - 1;
      const v = 2 * uniform() - 1;
      const square = u * u + v * v;
      if (square >= 1 || square === 0) continue;
      const factor = Math.sqrt((-2 * Math.log(square)) / square);
      kept = v * factor;
      has = true;
      return u * factor;
    }
  };
}
