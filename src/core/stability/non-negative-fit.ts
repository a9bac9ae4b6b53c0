/**
 * Least squares with coefficients that can't be negative, from the normal equations: minimises ½·aᵀGa - bᵀa for a ≥ 0. G is symmetric, n × n, row by row; n is small.
 * Returns the coefficients and the minimum. Source: active-set method of Lawson and Hanson 1974, chapter 23.
 *
 * @example
 * nonNegativeFit(Float64Array.of(2, 0, 0, 2), Float64Array.of(2, -2)) // { coefficients: [1, 0], minimum: -1 }
 */
export function nonNegativeFit(gram: Float64Array, right: Float64Array): { coefficients: Float64Array; minimum: number } {
  const n = right.length;
  const a = new Float64Array(n);
  const active: number[] = [];
  for (let round = 0; round < 4 * n; round += 1) {
    const next = steepest(gram, right, a, active);
    if (next < 0) break;
    active.push(next);
    for (;;) {
      const solution = solve(gram, right, active);
      let step = 1;
      for (let k = 0; k < active.length; k += 1) {
        const index = active[k]!;
        if (solution[k]! > 0) continue;
        const back = a[index]! / (a[index]! - solution[k]!);
        step = Math.min(step, Number.isFinite(back) ? back : 0);
      }
      for (let k = 0; k < active.length; k += 1) a[active[k]!] = a[active[k]!]! + step * (solution[k]! - a[active[k]!]!);
      if (step >= 1) break;
      for (let k = active.length - 1; k >= 0; k -= 1)
        if (a[active[k]!]! <= 1e-14) {
          a[active[k]!] = 0;
          active.splice(k, 1);
        }
      if (active.length === 0) break;
    }
  }
  // What is at zero adds nothing.
  let minimum = 0;
  for (const i of active) {
    let row = 0;
    for (const j of active) row += gram[i * n + j]! * a[j]!;
    minimum += a[i]! * (0.5 * row - right[i]!);
  }
  return { coefficients: a, minimum };
}

/** The coefficient at zero whose rise would lower the sum most, or -1. */
function steepest(gram: Float64Array, right: Float64Array, a: Float64Array, active: number[]): number {
  const n = right.length;
  let best = -1;
  let most = 1e-10;
  for (let i = 0; i < n; i += 1) {
    if (active.includes(i)) continue;
    let gradient = right[i]!;
    for (const j of active) gradient -= gram[i * n + j]! * a[j]!;
    const relative = gradient / Math.sqrt(gram[i * n + i]! || 1);
    if (relative > most) [most, best] = [relative, i];
  }
  return best;
}

/** Cholesky on the chosen rows; a hair of ridge keeps nearly equal time constants apart. */
function solve(gram: Float64Array, right: Float64Array, chosen: number[]): Float64Array {
  const n = right.length;
  const m = chosen.length;
  const l = new Float64Array(m * m);
  for (let i = 0; i < m; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = gram[chosen[i]! * n + chosen[j]!]!;
      if (i === j) sum *= 1 + 1e-11;
      for (let k = 0; k < j; k += 1) sum -= l[i * m + k]! * l[j * m + k]!;
      l[i * m + j] = i === j ? Math.sqrt(Math.max(sum, 1e-300)) : sum / l[j * m + j]!;
    }
  }
  const x = Float64Array.from(chosen, (index) => right[index]!);
  for (let i = 0; i < m; i += 1) {
    for (let k = 0; k < i; k += 1) x[i] = x[i]! - l[i * m + k]! * x[k]!;
    x[i] = x[i]! / l[i * m + i]!;
  }
  for (let i = m - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < m; k += 1) x[i] = x[i]! - l[k * m + i]! * x[k]!;
    x[i] = x[i]! / l[i * m + i]!;
  }
  return x;
}
