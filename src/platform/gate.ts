import { say } from '@/core/words/say';
import { Problem } from './problem';

/**
 * Lets only so many pieces of work run at once and so many wait; whoever comes beyond that is told at once. For what costs much and anybody may ask for.
 * Errors: Problem (429) where too many wait.
 */
export function gate({ atOnce, waiting }: { atOnce: number; waiting: number }) {
  let running = 0;
  const queue: (() => void)[] = [];
  return async function through<T>(work: () => Promise<T>): Promise<T> {
    if (running >= atOnce) {
      if (queue.length >= waiting) throw new Problem(say({ code: 'gate.full' }), {}, 429);
      await new Promise<void>((enter) => queue.push(enter));
    } else running += 1;
    try {
      return await work();
    } finally {
      // Its turn is handed on, so nobody slips in between.
      const next = queue.shift();
      if (next) next();
      else running -= 1;
    }
  };
}
