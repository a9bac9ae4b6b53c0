import { softened } from '../uncertainty/effective-number';
import { redrawShapes, type Redrawn } from './redraw-shapes';
import { reached, type ResponseShape } from './response-shape';
import { figuresOf, placeOf, shapeAt, shapesOf, type Between, type ResponseCard } from './response-card';

/** A whole response: seconds after gas came and what was shown, in time order. */
export type Trace = readonly { seconds: number; value: number }[];

/** `scatter`: standard deviation of the mean. */
type Thin = readonly { seconds: number; value: number; scatter: number }[];

/** Any portable monitor is somewhere in here (common practice). */
const ANY: ResponseCard = { dead: [0, 15], tau: [2, 35], slow: [0, 0.3], slower: [2, 10] };
const TRIED = 2000;
const TIMES = 40;
const ROUNDS = 60;
/** So often it is looked closer at where a trace's own shape may lie. */
const LOOKS = 3;
/** So many shapes speak at least when it is looked closer. */
const FEW = 30;
/** A shape that is so much less likely (natural logarithm) comes no more into it. */
const HOPELESS = 40;
/** In parts of what any monitor may be. */
const LEAST_SCATTER = 0.003;
/** Short of this (natural logarithm; H. Jeffreys, Theory of Probability, 1961: beyond 100 to 1 is decisive) the tail that takes longer is believed. */
const DECISIVE = 5;
/** So many standard deviations about the middle a card reaches: a figure that lies evenly between two has its ends at 1.7. */
const REACHES = 1.8;
const WIDER = 1.1;
/** Fewer traces say nothing of the next instrument. */
export const FEWEST = 8;

/**
 * What a model's sensors have in common, learnt from whole responses of several of them: between which figures dead time, time constant and slow part lie, and whether the slow part is an exponential or falls with the root of time. Null for fewer than eight traces of at least two minutes; eight minutes tell a slow exponential from a tail with the root of time.
 * Unit: that of the display. Errors: none. Source: maximum likelihood by expectation and maximisation (A. P. Dempster et al., J. R. Stat. Soc. B 39 (1977) 1).
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
  const [exponential, slowing] = [ANY, root].map((card) => common(card, whole, resolution)) as [Common, Common];
  return wider(exponential.explains - slowing.explains > DECISIVE ? exponential.card : slowing.card);
}

/** What all traces have in common, and how well it explains them (natural logarithm). */
interface Common {
  card: ResponseCard;
  explains: number;
}

/**
 * Each figure of the sensors is taken to scatter normally about a middle; middle and scatter are what makes all traces together likeliest.
 * What one trace alone leaves open, all of them together settle.
 */
function common(card: ResponseCard, traces: Thin[], resolution: number): Common {
  const own = traces.map((trace) => candidates(card, trace, resolution));
  const count = figuresOf(card).length;
  let middle = Array.from({ length: count }, () => 0.5);
  let scatter = Array.from({ length: count }, () => 1);
  let explains = -Infinity;
  for (let round = 0; round < ROUNDS; round += 1) {
    const [sum, squares] = [new Float64Array(count), new Float64Array(count)];
    explains = 0;
    for (const { places, logs } of own) {
      const all = logs.map((log, i) => log + density(places[i]!, middle, scatter));
      const most = all.reduce((a, b) => Math.max(a, b), -Infinity);
      const weights = all.map((one) => Math.exp(one - most));
      const whole = weights.reduce((a, b) => a + b, 0);
      explains += most + Math.log(whole / TRIED);
      places.forEach((place, i) => {
        const weight = weights[i]! / whole;
        if (weight < 1e-9) return;
        for (let k = 0; k < count; k += 1) {
          sum[k]! += weight * place[k]!;
          squares[k]! += weight * place[k]! ** 2;
        }
      });
    }
    middle = Array.from(sum, (one) => one / own.length);
    scatter = Array.from(squares, (one, k) =>
      Math.max(LEAST_SCATTER, Math.sqrt(Math.max(0, one / own.length - middle[k]! ** 2))),
    );
  }
  const edge = (sign: number) => middle.map((one, k) => Math.min(1, Math.max(0, one + sign * REACHES * scatter[k]!)));
  const [low, high] = [shapeAt(card, edge(-1)), shapeAt(card, edge(1))];
  return {
    card: {
      dead: [low.dead, high.dead],
      tau: [low.tau, high.tau],
      slow: [low.slow, high.slow],
      ...(card.slower ? { slower: [low.slower!, high.slower!] } : {}),
    },
    explains,
  };
}

/** Natural logarithm of the normal density. */
function density(place: readonly number[], middle: readonly number[], scatter: readonly number[]): number {
  let sum = 0;
  for (let k = 0; k < place.length; k += 1)
    sum -= ((place[k]! - middle[k]!) / scatter[k]!) ** 2 / 2 + Math.log(scatter[k]! * Math.sqrt(2 * Math.PI));
  return sum;
}

/** Places of shapes that may be behind one trace, and how likely each is: looked for everywhere first, then again where something was found. */
function candidates(card: ResponseCard, trace: Thin, resolution: number): { places: number[][]; logs: Float64Array } {
  let drawn: Redrawn = { shapes: shapesOf(card, TRIED), logs: new Float64Array(TRIED) };
  for (let look = 0; ; look += 1) {
    const likely = likelihoods(drawn.shapes, trace, resolution);
    const logs = likely.map((one, i) => one + drawn.logs[i]!);
    const most = logs.reduce((a, b) => Math.max(a, b), -Infinity);
    if (look === LOOKS) {
      const near = drawn.shapes.flatMap((shape, i) =>
        logs[i]! > most - HOPELESS ? [[placeOf(card, shape), logs[i]!] as const] : [],
      );
      return { places: near.map(([place]) => place), logs: Float64Array.from(near, ([, log]) => log) };
    }
    drawn = redrawShapes({
      card,
      shapes: drawn.shapes,
      weights: softened(
        logs.map((one) => Math.exp(one - most)),
        FEW,
      ),
    });
  }
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

/** Natural logarithm of how likely a trace is by each shape, with the final value that fits it best. */
function likelihoods(shapes: readonly ResponseShape[], trace: Thin, resolution: number): Float64Array {
  const known = trace.map(({ scatter }) => (0.25 * resolution) ** 2 + scatter ** 2);
  return Float64Array.from(shapes, (shape) => {
    let [top, bottom] = [0, 0];
    const shares = trace.map(({ seconds }) => reached(shape, seconds));
    trace.forEach(({ value }, i) => {
      top += (value * shares[i]!) / known[i]!;
      bottom += shares[i]! ** 2 / known[i]!;
    });
    const final = bottom > 0 ? top / bottom : 0;
    return trace.reduce(
      (sum, { value }, i) => sum - (value - final * shares[i]!) ** 2 / (known[i]! + (0.01 * final * (1 - shares[i]!)) ** 2) / 2,
      0,
    );
  });
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
