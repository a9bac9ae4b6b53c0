import { normalQuantile } from '../uncertainty/normal';
import { figuresOf, halton, placeOf, shapeAt, type ResponseCard } from './response-card';
import type { ResponseShape } from './response-shape';

/** Shapes drawn where the likely ones lie, each with the natural logarithm of what it has to be weighed by, so that all together stand for the card as before. */
export interface Redrawn {
  shapes: ResponseShape[];
  logs: Float64Array;
}

/** Drawn so much wider than the likely ones lie: what is narrower than the truth misses it. */
const WIDER = 2;
/** This share is drawn from the whole card: no weight can then become large by chance. */
const ANYWHERE = 0.2;
const LEAST = 1e-3;

/**
 * As many shapes again, drawn from the card where the likely ones of the shapes at hand lie, and a fifth from all of it; always the same ones for the same weights.
 * A thousand shapes spread over a card whose dead time and time constant are both wide leave only a few that explain a response; these lie close to it.
 * `weights`: one a shape, not negative. Errors: none. Source: importance sampling with a mixture of proposals (T. Hesterberg, Technometrics 37 (1995) 185).
 *
 * @example
 * redrawShapes({ card, shapes, weights }).shapes.length // shapes.length
 */
export function redrawShapes({
  card,
  shapes,
  weights,
}: {
  card: ResponseCard;
  shapes: readonly ResponseShape[];
  weights: ArrayLike<number>;
}): Redrawn {
  const figures = figuresOf(card);
  const places = shapes.map((shape) => placeOf(card, shape));
  const whole = Array.from(weights).reduce((sum, one) => sum + one, 0);
  const mean = figures.map((_figure, i) => places.reduce((sum, one, s) => sum + weights[s]! * one[i]!, 0) / whole);
  const spread = figures.map((_row, i) =>
    figures.map(
      (_column, j) =>
        (WIDER * places.reduce((sum, one, s) => sum + weights[s]! * (one[i]! - mean[i]!) * (one[j]! - mean[j]!), 0)) / whole +
        (i === j ? LEAST ** 2 : 0),
    ),
  );
  const root = cholesky(spread);
  const scale = root.reduce((product, row, i) => product * row[i]! * Math.sqrt(2 * Math.PI), 1);
  const density = (at: number[]) => {
    const z: number[] = [];
    for (let i = 0; i < at.length; i += 1) {
      let rest = at[i]! - mean[i]!;
      for (let j = 0; j < i; j += 1) rest -= root[i]![j]! * z[j]!;
      z.push(rest / root[i]![i]!);
    }
    return Math.exp(-z.reduce((sum, one) => sum + one ** 2, 0) / 2) / scale;
  };
  const drawn: ResponseShape[] = [];
  const logs = new Float64Array(shapes.length);
  let tried = 0;
  for (let n = 1; drawn.length < shapes.length; n += 1) {
    tried = n;
    const [even, z] = evenly(n, figures.length);
    // A fifth by the last base; whoever drew outside of the card for ever would never end.
    const anywhere = halton(n, BASES[figures.length]!) < ANYWHERE || n > 8 * shapes.length;
    const at = anywhere ? even : mean.map((middle, i) => middle + root[i]!.reduce((sum, one, j) => sum + one * z[j]!, 0));
    if (at.some((one) => one < 0 || one > 1)) continue;
    logs[drawn.length] = -Math.log(ANYWHERE + (1 - ANYWHERE) * density(at));
    drawn.push(shapeAt(card, at));
  }
  // What fell outside of the card was drawn in vain: those inside stand for it too.
  const inside = Math.log(drawn.length / tried);
  return { shapes: drawn, logs: logs.map((one) => one + inside) };
}

const BASES = [2, 3, 5, 7, 11];
/** Even places of so many figures and the same as standard normal ones: worked out once. */
const known: [number[], number[]][][] = [];
function evenly(n: number, figures: number): [number[], number[]] {
  const list = (known[figures] ??= []);
  if (!list[n]) {
    const even = BASES.slice(0, figures).map((base) => halton(n, base));
    list[n] = [even, even.map(normalQuantile)];
  }
  return list[n];
}

/** Lower triangle whose square a covariance is. */
function cholesky(matrix: number[][]): number[][] {
  const root = matrix.map((row) => row.map(() => 0));
  for (let i = 0; i < matrix.length; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let rest = matrix[i]![j]!;
      for (let k = 0; k < j; k += 1) rest -= root[i]![k]! * root[j]![k]!;
      root[i]![j] = i === j ? Math.sqrt(Math.max(rest, LEAST ** 2)) : rest / root[j]![j]!;
    }
  return root;
}
