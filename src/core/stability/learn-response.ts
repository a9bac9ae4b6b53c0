import { reached, type ResponseShape } from './response-shape';
import { shapesOf, type Between, type ResponseCard } from './response-card';

/** A whole response: seconds after gas came and what was shown, in time order. */
export type Trace = readonly { seconds: number; value: number }[];

/** `scatter`: standard deviation of the mean. */
type Thin = readonly { seconds: number; value: number; scatter: number }[];

/** Any portable monitor is somewhere in here (common practice). */
const ANY: ResponseCard = { dead: [0, 15], tau: [2, 35], slow: [0, 0.3], slower: [2, 10] };
const TRIED = 3000;
const TIMES = 40;
const ROUNDS = 6;
const LOOKS = 4;
const WIDER = 1.1;
/** What of a mixture lies further out is left to chance. */
const OUTSIDE = 0.04;
/** Fewer traces say nothing of the next instrument. */
export const FEWEST = 8;

/**
 * What a model's sensors have in common, learnt from whole responses of several of them: between which figures dead time, time constant and slow part lie, and whether the slow part is an exponential or falls with the root of time. Null for fewer than eight traces of at least two minutes; eight minutes tell a slow exponential from a tail with the root of time.
 * Unit: that of the display. Errors: none. Source: maximum likelihood of a mixture by expectation and maximisation (A. P. Dempster et al., J. R. Stat. Soc. B 39 (1977) 1).
 *
 * @example
 * learnResponse({ traces, before: 0, resolution: 1 }) // { dead: [0, 0.4], tau: [7.1, 11.8], slow: [0.02, 0.1], slower: [2.3, 4.2] }
 */
export function learnResponse({
  traces,
  before,
  resolution,
}: {
  traces: readonly Trace[];
  before: number;
  resolution: number;
}): ResponseCard | null {
  const whole = traces.filter((trace) => (trace.at(-1)?.seconds ?? 0) >= 120).map((trace) => thinned(trace, before));
  if (whole.length < FEWEST) return null;
  const root: ResponseCard = { dead: ANY.dead, tau: ANY.tau, slow: ANY.slow };
  const [first, second] = [ANY, root].map((card) => closer(card, whole, resolution)) as [Mixture, Mixture];
  return wider(spread(first.explains >= second.explains ? first : second, OUTSIDE));
}

/** Looked for everywhere first, then again where something was found. */
function closer(card: ResponseCard, traces: Thin[], resolution: number): Mixture {
  let found = mixture(shapesOf(card, TRIED), traces, resolution);
  for (let look = 1; look < LOOKS; look += 1) found = mixture(shapesOf(spread(found, 0.01), TRIED), traces, resolution);
  return found;
}

/** Between which figures all but a share of a mixture at either end lies. */
function spread({ shapes, weights }: Mixture, outside: number): ResponseCard {
  const between = (figure: (shape: ResponseShape) => number): Between => {
    const sorted = shapes.map((shape, i) => [figure(shape), weights[i]!] as const).sort((a, b) => a[0] - b[0]);
    const at = (share: number) => {
      let sum = 0;
      for (const [value, weight] of sorted) if ((sum += weight) >= share) return value;
      return sorted.at(-1)![0];
    };
    return [at(outside), at(1 - outside)];
  };
  return {
    dead: between((shape) => shape.dead),
    tau: between((shape) => shape.tau),
    slow: between((shape) => shape.slow),
    ...(shapes[0]!.slower === undefined ? {} : { slower: between((shape) => shape.slower!) }),
  };
}

/** A handful of instruments does not hold the extremes of the next one. */
function wider({ dead, tau, slow, slower }: ResponseCard): ResponseCard {
  const stretched = ([low, high]: Between): Between => [low / WIDER, high * WIDER];
  const room = (dead[1] - dead[0]) / 12;
  return {
    dead: [Math.max(0, dead[0] - room), dead[1] + room],
    tau: stretched(tau),
    slow: stretched(slow),
    ...(slower ? { slower: stretched(slower) } : {}),
  };
}

interface Mixture {
  shapes: ResponseShape[];
  weights: Float64Array;
  explains: number;
}

/** How much each shape has to do with the traces. */
function mixture(shapes: ResponseShape[], traces: Thin[], resolution: number): Mixture {
  const likely = traces.map((trace) => likelihoods(shapes, trace, resolution));
  let weights = new Float64Array(shapes.length).fill(1 / shapes.length);
  let explains = -Infinity;
  for (let round = 0; round < ROUNDS; round += 1) {
    const next = new Float64Array(shapes.length);
    explains = 0;
    for (const { most, values } of likely) {
      let sum = 0;
      for (let i = 0; i < shapes.length; i += 1) sum += weights[i]! * values[i]!;
      explains += Math.log(sum) + most;
      for (let i = 0; i < shapes.length; i += 1) next[i]! += (weights[i]! * values[i]!) / sum / likely.length;
    }
    weights = next;
  }
  return { shapes, weights, explains };
}

/** Of each shape with the final value that fits it best, relative to the likeliest. */
function likelihoods(shapes: ResponseShape[], trace: Thin, resolution: number): { most: number; values: Float64Array } {
  const values = new Float64Array(shapes.length);
  const known = trace.map(({ scatter }) => (0.25 * resolution) ** 2 + scatter ** 2);
  let most = -Infinity;
  shapes.forEach((shape, index) => {
    let [top, bottom] = [0, 0];
    const shares = trace.map(({ seconds }) => reached(shape, seconds));
    trace.forEach(({ value }, i) => {
      top += (value * shares[i]!) / known[i]!;
      bottom += shares[i]! ** 2 / known[i]!;
    });
    const final = bottom > 0 ? top / bottom : 0;
    let sum = 0;
    trace.forEach(({ value }, i) => {
      sum += (value - final * shares[i]!) ** 2 / (known[i]! + (0.01 * final * (1 - shares[i]!)) ** 2);
    });
    values[index] = -sum / 2;
    most = Math.max(most, values[index]!);
  });
  for (let i = 0; i < values.length; i += 1) values[i] = Math.exp(values[i]! - most);
  return { most, values };
}

/** Forty times, closer together at the beginning, each the mean of what was shown about it. */
function thinned(trace: Trace, before: number): Thin {
  const end = trace.at(-1)!.seconds;
  return Array.from({ length: TIMES }, (_one, i) => Math.exp(((i + 1) / TIMES) * Math.log(end))).flatMap((at) => {
    const half = Math.max(0.5, 0.04 * at);
    const near = trace.filter(({ seconds }) => Math.abs(seconds - at) <= half);
    if (near.length === 0) return [];
    const mean = (pick: (one: Trace[number]) => number) => near.reduce((sum, one) => sum + pick(one), 0) / near.length;
    const value = mean((one) => one.value);
    const scatter = Math.sqrt(mean((one) => (one.value - value) ** 2) / near.length);
    return [{ seconds: mean((one) => one.seconds), value: value - before, scatter }];
  });
}
