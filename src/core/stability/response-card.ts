import { requireRange } from '../range-error';
import type { ResponseShape } from './response-shape';

/** From and to, both in. */
export type Between = [lowest: number, highest: number];

/**
 * What is known of how the sensors of a model come to their readings: each figure lies between two. Times in s.
 * It stands on the model's card, from its manual or learnt from its own traces.
 */
export interface ResponseCard {
  dead: Between;
  /** Time constant of the fast part; its T90 is 2.3 times as much. */
  tau: Between;
  slow: Between;
  /** How many times slower the slow part is; left out: it falls with the root of time. */
  slower?: Between;
}

/** Bases of the Halton sequence, one a figure. */
const BASES = [2, 3, 5, 7];
/** A sequence that fills 0 to 1 evenly. */
export function halton(index: number, base: number): number {
  let [value, part, left] = [0, 1, index];
  while (left > 0) {
    part /= base;
    value += part * (left % base);
    left = Math.floor(left / base);
  }
  return value;
}

const FIGURES = ['dead', 'tau', 'slow', 'slower'] as const;
type Figure = (typeof FIGURES)[number];
/** Time constants are alike by their ratio, everything else by its difference. */
const scaled = (figure: Figure, value: number) => (figure === 'tau' ? Math.log(value) : value);
const between = (card: ResponseCard, figure: Figure) => card[figure]!.map((value) => scaled(figure, value)) as Between;

/** The figures of which a card leaves something open. Errors: none. */
export const figuresOf = (card: ResponseCard): Figure[] =>
  FIGURES.filter((figure) => card[figure] !== undefined && card[figure][1] > card[figure][0]);

/**
 * Where a shape lies in a card: 0 to 1 a figure that the card leaves open, in the order of `figuresOf`. Errors: none.
 *
 * @example
 * placeOf({ dead: [0, 2], tau: [5, 5], slow: [0, 0.1] }, { dead: 1, tau: 5, slow: 0.1 }) // [0.5, 1]
 */
export function placeOf(card: ResponseCard, shape: ResponseShape): number[] {
  return figuresOf(card).map((figure) => {
    const [low, high] = between(card, figure);
    return (scaled(figure, shape[figure]!) - low) / (high - low);
  });
}

/** The shape at such a place. Errors: none. */
export function shapeAt(card: ResponseCard, place: readonly number[]): ResponseShape {
  const shape: ResponseShape = {
    dead: card.dead[0],
    tau: card.tau[0],
    slow: card.slow[0],
    ...(card.slower ? { slower: card.slower[0] } : {}),
  };
  figuresOf(card).forEach((figure, i) => {
    const [low, high] = between(card, figure);
    const value = low + (high - low) * place[i]!;
    shape[figure] = figure === 'tau' ? Math.exp(value) : value;
  });
  return shape;
}

/**
 * So many shapes evenly spread over what a card allows, always the same ones; time constants evenly in their logarithm.
 * Range: count 1 to 5000. Errors: RangeError. Source: J. H. Halton, Numer. Math. 2 (1960) 84.
 *
 * @example
 * shapesOf({ dead: [0, 0], tau: [5, 9], slow: [0.02, 0.1], slower: [2.5, 4] }, 300).length // 300
 */
export function shapesOf(card: ResponseCard, count: number): ResponseShape[] {
  requireRange('count', count, 1, 5000);
  const bases = FIGURES.flatMap((figure, i) => (figuresOf(card).includes(figure) ? [BASES[i]!] : []));
  return Array.from({ length: count }, (_one, index) =>
    shapeAt(
      card,
      bases.map((base) => halton(index + 1, base)),
    ),
  );
}
