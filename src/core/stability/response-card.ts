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
function halton(index: number, base: number): number {
  let [value, part, left] = [0, 1, index];
  while (left > 0) {
    part /= base;
    value += part * (left % base);
    left = Math.floor(left / base);
  }
  return value;
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
  return Array.from({ length: count }, (_one, index) => {
    const at = (figure: number, [low, high]: Between) => low + (high - low) * halton(index + 1, BASES[figure]!);
    const tau = Math.exp(at(1, [Math.log(card.tau[0]), Math.log(card.tau[1])]));
    return {
      dead: at(0, card.dead),
      tau,
      slow: at(2, card.slow),
      ...(card.slower ? { slower: at(3, card.slower) } : {}),
    };
  });
}
