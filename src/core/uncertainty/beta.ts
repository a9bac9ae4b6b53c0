/** Logarithm of the gamma function, Lanczos (g = 7, nine terms), about 15 digits for x > 0. */
export function logGamma(x: number): number {
  const g = [
    0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905,
    -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
  ];
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const y = x - 1;
  let sum = g[0]!;
  for (let i = 1; i < 9; i += 1) sum += g[i]! / (y + i);
  const t = y + 7.5;
  return 0.5 * Math.log(2 * Math.PI) + (y + 0.5) * Math.log(t) - t + Math.log(sum);
}

/** Regularised incomplete beta function I_x(a, b) by Lentz's continued fraction. Source: NIST Digital Library of Mathematical Functions, 8.17.22. */
export function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log1p(-x));
  return x < (a + 1) / (a + b + 2) ? (front * fraction(x, a, b)) / a : 1 - (front * fraction(1 - x, b, a)) / b;
}

function fraction(x: number, a: number, b: number): number {
  const tiny = 1e-300;
  let c = 1;
  let d = 1 / nonZero(1 - ((a + b) * x) / (a + 1), tiny);
  let h = d;
  for (let m = 1; m <= 500; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / nonZero(1 + even * d, tiny);
    c = nonZero(1 + even / c, tiny);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / nonZero(1 + odd * d, tiny);
    c = nonZero(1 + odd / c, tiny);
    h *= d * c;
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return h;
}

function nonZero(value: number, tiny: number): number {
  return Math.abs(value) < tiny ? tiny : value;
}
