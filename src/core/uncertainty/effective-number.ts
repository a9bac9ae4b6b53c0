/**
 * So many equal weights would tell as much as these. Range: weights not negative, at least one above 0. Errors: none.
 * Source: L. Kish, Survey Sampling (1965).
 *
 * @example
 * effectiveNumber([1, 1, 0]) // 2
 */
export function effectiveNumber(weights: ArrayLike<number>): number {
  let [sum, squares] = [0, 0];
  for (let i = 0; i < weights.length; i += 1) {
    sum += weights[i]!;
    squares += weights[i]! ** 2;
  }
  return sum ** 2 / squares;
}

/**
 * Weights of which at least so many speak: where one or two outweigh all others, less is made of the differences. Range: `least` 1 to their number. Errors: none.
 *
 * @example
 * softened(Float64Array.of(1, 0.01, 0.01), 2) // about 1, 0.3, 0.3
 */
export function softened(weights: Float64Array, least: number): Float64Array {
  for (let power = 1; power > 0.02; power *= 0.8) {
    const soft = weights.map((one) => one ** power);
    if (effectiveNumber(soft) >= least) return soft;
  }
  return weights.map((one) => (one > 0 ? 1 : 0));
}
