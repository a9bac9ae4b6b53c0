import { describe, expect, it } from 'vitest';
import { gate } from './gate';

describe('a gate', () => {
  it('lets so many in at once and so many wait; the rest is told at once, and a failure gives its turn on', async () => {
    const through = gate({ atOnce: 2, waiting: 3 });
    let [inside, most] = [0, 0];
    const ends: (() => void)[] = [];
    const work = (fails: boolean) =>
      through(async () => {
        most = Math.max(most, (inside += 1));
        await new Promise<void>((end) => ends.push(end));
        inside -= 1;
        if (fails) throw new Error('failed');
        return 'done';
      }).catch((error: Error & { status?: number }) => error.status ?? error.message);
    const all = Array.from({ length: 7 }, (_one, i) => work(i === 0));
    expect(await Promise.all(all.slice(5))).toEqual([429, 429]);
    for (let done = 0; done < 5; done += 1) {
      while (ends.length === 0) await new Promise((soon) => setTimeout(soon, 1));
      ends.shift()!();
    }
    expect(await Promise.all(all.slice(0, 5))).toEqual(['failed', 'done', 'done', 'done', 'done']);
    expect(most).toBe(2);
    expect(inside).toBe(0);
  });
  it('one who asks for much fills a part of the queue only', async () => {
    const through = gate({ atOnce: 1, waiting: 10, waitingEach: 2 });
    let end = () => undefined as void;
    const first = through(() => new Promise<void>((resolve) => (end = resolve)), 'a');
    const asked = ['a', 'a', 'a', 'b'].map((who) =>
      through(() => Promise.resolve(who), who).catch((error: { status: number }) => error.status),
    );
    end();
    await first;
    expect(await Promise.all(asked)).toEqual(['a', 'a', 429, 'b']);
  });
});
