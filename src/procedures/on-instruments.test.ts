import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { outcomeOf } from '@/core/results/outcome';
import { summarise } from '@/core/results/summary';
import type { ScriptedRun } from '@/core/run/scripted';
import { Day, FAMILIES, gasSeconds } from './instrument-day.fixture';

const TOGETHER = { 'left-gas': 'together', 'bump-gas': 'found' };
const APART = { 'left-gas': 'apart', 'bump-gas': 'apart' };
const sameExposure = ({ procedure, state }: ScriptedRun) =>
  summarise(procedure, state).lines.filter((one) => one.notes.some((note) => note.code === 'note.sameExposure'));
/** By hand: found, span, left and bump, each a fixed two minutes (common practice). */
const BY_HAND_SECONDS = 4 * 120;

// A day's work goes hours ahead of the machine's clock: begun late in the evening it would end on another day than the instrument shows.
beforeAll(() => void vi.useFakeTimers({ toFake: ['Date'], now: new Date('2026-11-26T09:00:00Z') }));
afterAll(() => void vi.useRealTimers());

describe('gas families on their simulated instruments, from the first step to the last', () => {
  it.each(
    FAMILIES.flatMap((family) =>
      [TOGETHER, APART].map((schools) => [family.model, schools['left-gas'], family, schools] as const),
    ),
  )('%s, as left %s', (_model, _way, family, schools) => {
    const run = new Day(family, schools).work();
    const summary = summarise(run.procedure, run.state);
    expect(
      summary.asLeft,
      JSON.stringify(summary.lines.map((one) => [one.label, one.point, one.left?.reading.text, one.left?.verdict])),
    ).toBe('within');
    expect(outcomeOf(run.procedure, run.state)).toBe(family.model === 'OF-700' ? 'limited' : 'passed');
    expect(run.state.stimuli.every((span) => span.offAt !== null)).toBe(true);
    expect(run.state.deviations).toEqual([]);
  });
});

describe('what nothing lies between shares one gas', () => {
  const FOUR_GAS = FAMILIES.find((one) => one.model === 'VT-47')!;

  it('as left in the gas of the span is named so on every line of gas, and on none where it stood apart', () => {
    const gas = (run: ScriptedRun) => sameExposure(run).map((one) => one.point);
    expect(gas(new Day(FOUR_GAS, TOGETHER).work())).toEqual(['span', 'span', 'span', 'span']);
    expect(gas(new Day(FOUR_GAS, APART).work())).toEqual([]);
  });

  it('two openings instead of three and a bump; less than 0.45 of by hand', () => {
    const [ours, apart] = [new Day(FOUR_GAS, TOGETHER).work(), new Day(FOUR_GAS, APART).work()];
    expect(ours.state.stimuli).toHaveLength(2);
    expect(ours.state.bumps).toHaveLength(1);
    expect(apart.state.stimuli).toHaveLength(3);
    expect(gasSeconds(ours)).toBeLessThan(gasSeconds(apart));
    expect(gasSeconds(ours) / BY_HAND_SECONDS).toBeLessThan(0.45);
  });

  it('a bump in the as-found gas falls away once something is replaced: it is asked for again at the end', () => {
    const day = new Day(FOUR_GAS, TOGETHER);
    day.workUntil(/acknowledge-found/);
    expect(day.run.state.bumps).toHaveLength(1);
    day.run.do({ type: 'replacePart', channel: 'c-co', part: 'sensor', newSerial: 'CO-2' });
    expect(day.work().state.bumps).toHaveLength(2);
  });

  it('where the gas does not trip every alarm, the bump waits for the end', () => {
    const day = new Day(FOUR_GAS, TOGETHER);
    const [first] = day.run.state.channels.filter((one) => one.role === 'co');
    first!.alarms = { low: '200' };
    const run = day.work();
    expect(run.state.bumps).toHaveLength(1);
    expect(run.state.bumps[0]!.seq).toBeGreaterThan(run.state.adjustments.at(-1)!.seq);
  });
});
