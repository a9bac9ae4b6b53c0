import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { pool } from '@/data/connection';
import { guardedTry } from '@/platform/guarded-try';
import { delayAfter } from '@/platform/try-delay';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const start = new Date('2026-11-27T08:00:00Z');
const later = (seconds: number) => new Date(start.getTime() + seconds * 1000);
const wrong = () => Promise.reject(new Error('wrong'));
const right = () => Promise.resolve('in');
const at = (email: string, seconds: number, attempt: () => Promise<unknown>, device = '', network = '') =>
  guardedTry({ email, device, network, now: later(seconds) }, attempt).then(
    ({ value, failures }) => `${value} after ${failures}`,
    (error: Error) => error.message,
  );

describe('how long somebody waits after failures', () => {
  it('not at all for the first five, then twice as long each time, a quarter of an hour at most (NIST SP 800-63B, 5.2.2)', () => {
    expect([0, 4, 5, 6, 7, 12, 13, 1000].map(delayAfter)).toEqual([0, 0, 5, 10, 20, 640, 900, 900]);
  });
});

describe('tries of a password', () => {
  it('after five wrong ones the sixth waits, whoever presses on doesn’t wait longer, and the right one wipes them out', async () => {
    for (let i = 0; i < 5; i += 1) expect(await at('a@test', i, wrong)).toBe('wrong');
    expect(await at('a@test', 5, right)).toMatch(/Wait 4 seconds/);
    expect(await at('a@test', 8, right)).toMatch(/Wait 1 second,/);
    expect(await at('a@test', 9, right)).toBe('in after 5');
    expect(await at('a@test', 10, right)).toBe('in after 0');
  });
  it('a stranger who guesses delays strangers, not the person at a browser that is known', async () => {
    for (let i = 0; i < 5; i += 1) await at('b@test', i, wrong);
    expect(await at('b@test', 6, right)).toMatch(/Wait/);
    expect(await at('b@test', 6, right, 'own browser')).toBe('in after 0');
    expect(await at('b@test', 7, right)).toMatch(/Wait/);
  });
  it('one network that tries many addresses waits, whoever is known there does not, nor does another network', async () => {
    for (let i = 0; i < 25; i += 1) expect(await at(`guess-${i}@test`, 20, wrong, '', '198.51.100.4')).toBe('wrong');
    expect(await at('guess-26@test', 21, wrong, '', '198.51.100.4')).toMatch(/Wait 4 seconds/);
    expect(await at('d@test', 21, right, 'own browser', '198.51.100.4')).toBe('in after 0');
    expect(await at('d@test', 21, right, '', '203.0.113.9')).toBe('in after 0');
  });
  it('two who sign in at the same moment don’t wait for each other, whose clock ever is ahead', async () => {
    let enter = () => undefined as void;
    const first = at('e@test', 0.4, () => new Promise((resolve) => (enter = () => resolve('in'))));
    await expect.poll(async () => (await pool().query("select 1 from sign_in_failure where email = 'e@test'")).rowCount).toBe(1);
    expect(await at('e@test', 0, right)).toBe('in after 1');
    enter();
    expect(await first).toBe('in after 0');
  });
  it('twenty at once can’t slip past the count', async () => {
    const answers = await Promise.all(Array.from({ length: 20 }, () => at('c@test', 0, wrong)));
    expect(answers.filter((one) => one === 'wrong').length).toBeLessThanOrEqual(7);
    expect(answers.filter((one) => /Wait/.test(one)).length).toBeGreaterThanOrEqual(13);
  });
  // Measured before: 60 sign-ins with invented addresses took every connection.
  it('a hundred strangers at once hold no connection while passwords are checked; whoever comes too many is told', async () => {
    let [inside, most] = [0, 0];
    const slow = async () => {
      most = Math.max(most, (inside += 1));
      await new Promise((end) => setTimeout(end, 40));
      inside -= 1;
      throw new Error('wrong');
    };
    const strangers = Promise.all(
      Array.from({ length: 100 }, (_one, i) => at(`stranger-${i}@test`, 0, slow, '', `203.0.113.${i % 10}`)),
    );
    const began = performance.now();
    await pool().query('select 1');
    expect(performance.now() - began).toBeLessThan(1000);
    expect(pool().waitingCount).toBe(0);
    const answers = await strangers;
    expect(most).toBeLessThanOrEqual(3);
    expect(answers.filter((one) => one === 'wrong')).toHaveLength(63);
    expect(answers.filter((one) => /Many are asking/.test(one))).toHaveLength(37);
  });
  it('leaves nothing in the audit, and forgets after a day', async () => {
    const { rows } = await world.app.query("select count(*)::int as n from audit where action like 'signIn%'");
    expect(rows[0].n).toBe(0);
    await at('d@test', 2 * 86_400, right);
    expect((await world.app.query('select 1 from sign_in_failure')).rows).toHaveLength(0);
  });
});
