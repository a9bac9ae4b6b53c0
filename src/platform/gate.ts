import { say } from '@/core/words/say';
import { Problem } from './problem';
import '@/core/words/en/answers';

/**
 * Lets only so many pieces of work run at once and so many wait, of one `who` no more than `waitingEach`; whoever comes beyond that is told at once. For what costs much and anybody may ask for.
 * Errors: Problem (429) where too many wait.
 */
export function gate({ atOnce, waiting, waitingEach = waiting }: { atOnce: number; waiting: number; waitingEach?: number }) {
  let running = 0;
  const queue: { who: string; enter: () => void }[] = [];
  return async function through<T>(work: () => Promise<T>, who = ''): Promise<T> {
    if (running >= atOnce) {
      const mine = queue.filter((one) => one.who === who).length;
      if (queue.length >= waiting || mine >= waitingEach) throw new Problem(say({ code: 'gate.full' }), {}, 429);
      await new Promise<void>((enter) => queue.push({ who, enter }));
    } else running += 1;
    try {
      return await work();
    } finally {
      // Its turn is handed on, so nobody slips in between.
      const next = queue.shift();
      if (next) next.enter();
      else running -= 1;
    }
  };
}
