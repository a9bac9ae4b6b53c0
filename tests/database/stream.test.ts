import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { isRefusal } from '@/core/words/refusal';
import { eventsAfter, giveCommand } from '@/features/bench/server';
import { runChangeStream } from '@/platform/change-stream';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

/** Reads a stream into texts until it is told to stop. */
function listen() {
  const stop = new AbortController();
  const reader = runChangeStream(stop.signal).getReader();
  const texts: string[] = [];
  const reading = (async () => {
    for (;;) {
      const { value, done } = await reader.read();
      if (done) return;
      texts.push(new TextDecoder().decode(value));
    }
  })();
  return {
    texts,
    stop: async () => {
      stop.abort();
      await reading;
    },
  };
}
const note = async (run: string, text: string) => {
  const given = await world.db.transaction((tx) =>
    giveCommand(
      { tx, actor: world.technician, now: new Date() },
      { run, commandId: randomUUID(), command: { type: 'note', text } },
    ),
  );
  if (isRefusal(given)) throw new Error(given.sentence);
  return given.reply.lastSeq;
};

describe('the stream of changes', () => {
  it('tells every listener of each change once, with run and number to resume by; a rolled back one is never told', async () => {
    const { run } = await world.finishedRun({ stopAt: 'left-zero' });
    const [one, two] = [listen(), listen()];
    const hearing = (texts: string[]) => texts.filter((text) => text.includes('event: hearing')).length;
    await expect.poll(() => hearing(one.texts) + hearing(two.texts), { timeout: 5000 }).toBe(2);
    // It said that it hears, so the very next change must come, once.
    const told = await note(run, 'are you there');
    await expect.poll(() => one.texts.join('')).toContain(`id: ${run}/${told}\n`);
    const seq = await note(run, 'counted');
    await expect.poll(() => two.texts.join('')).toContain(`id: ${run}/${seq}\n`);
    expect(one.texts.filter((text) => text.includes(`id: ${run}/${seq}\n`))).toHaveLength(1);
    await expect(
      world.db.transaction(async (tx) => {
        await giveCommand(
          { tx, actor: world.technician, now: new Date() },
          { run, commandId: randomUUID(), command: { type: 'note', text: 'never' } },
        );
        throw new Error('undone');
      }),
    ).rejects.toThrow('undone');
    const next = await note(run, 'after it');
    await expect.poll(() => one.texts.join('')).toContain(`id: ${run}/${next}\n`);
    expect(next).toBe(seq + 1);
    await one.stop();
    const heard = two.texts.length;
    await note(run, 'one of us is gone');
    await expect.poll(() => two.texts.length).toBeGreaterThan(heard);
    await two.stop();
  });
  it('whoever was away catches up by number: exactly what was missed, in order', async () => {
    const { run } = await world.finishedRun({ stopAt: 'left-zero' });
    const first = await note(run, 'a');
    await note(run, 'b');
    await note(run, 'c');
    const missed = await world.db.transaction((tx) => eventsAfter(tx, run, first));
    expect(missed.map((event) => event.seq)).toEqual([first + 1, first + 2]);
    expect(missed.map((event) => (event.type === 'noted' ? event.data.text : ''))).toEqual(['b', 'c']);
    expect(await world.db.transaction((tx) => eventsAfter(tx, 'no run', 0))).toEqual([]);
    expect(await world.db.transaction((tx) => eventsAfter(tx, run, NaN))).toEqual([]);
  });
});
