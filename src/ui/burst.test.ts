import { describe, expect, it } from 'vitest';
import { BurstWatch } from './burst';

const typed = (text: string, gapMs: number) => {
  const watch = new BurstWatch();
  const burst = [...text].map((key, index) => watch.add(key, 1000 + index * gapMs).burst);
  return { watch, burst: burst.at(-1) };
};

describe('a scanner that types like a keyboard', () => {
  it.each([
    ['FG-1402', 8, true],
    ['g n 3', 20, true],
    ['25.0', 90, false],
    ['gn3', 5, false],
    ['yyyn', 120, false],
  ])('“%s” with %i ms between the keys: %s', (text, gap, burst) => expect(typed(text, gap).burst).toBe(burst));
  it('gives what was typed once, and covers its first keys', () => {
    const { watch } = typed('FG-1402', 8);
    expect([watch.covers(1000), watch.covers(500)]).toEqual([true, false]);
    expect(watch.take()).toBe('FG-1402');
    // Its last keys are still waiting to be single ones when the end mark comes.
    expect([watch.covers(1048), watch.covers(1200), watch.covers(500)]).toEqual([true, false, false]);
  });
  it('a hand that types slowly after a scan is a hand again', () => {
    const { watch } = typed('FG-1402', 8);
    expect(watch.add('5', 2000)).toEqual({ first: true, burst: false });
  });
});
