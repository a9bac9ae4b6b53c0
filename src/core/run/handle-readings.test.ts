import { describe, expect, it } from 'vitest';
import { openFourGas, prepare, readAll, ZERO } from './four-gas.fixture';
import type { ReadingTaken } from './command';
import { parseCommand } from './command-schema';
import type { ScriptedRun } from './scripted';

/** What the present step reads, in its order. */
function pairs(run: ScriptedRun): ReadingTaken[] {
  const shown: Record<string, string> = ZERO;
  const { step } = run.step();
  if (step.kind !== 'read') throw new Error('no read step');
  return step.points.flatMap((point) => {
    const { channels } = run.procedure.points.find((one) => one.id === point)!;
    const fitted = run.state.channels.filter((one) => channels.includes(one.role) && one.status === 'fitted');
    return fitted.map(({ id }) => ({ point, channel: id, text: shown[id]! }));
  });
}

describe('several channels by one command', () => {
  it('are the same events as one command each, but for the command that they belong to', () => {
    const [together, apart] = [prepare(openFourGas()), prepare(openFourGas())];
    const step = together.step().key;
    together.do({ type: 'captureReadings', step, readings: pairs(together) });
    readAll(apart, ZERO);
    const bare = (run: typeof apart) =>
      run.events.map(({ command, ...event }) => ({ ...event, command: command ? 'any' : command }));
    expect(bare(together)).toEqual(bare(apart));
    expect(new Set(together.events.filter((one) => one.type === 'readingCaptured').map((one) => one.command)).size).toBe(1);
  });
  it('one that is refused refuses all, and nothing is written', () => {
    const run = prepare(openFourGas());
    const before = run.events.length;
    const readings = pairs(run).map((one) => (one.channel === 'c-co' ? { ...one, text: 'abc' } : one));
    expect(run.try({ type: 'captureReadings', step: run.step().key, readings })).toMatchObject({ refused: true });
    expect(run.events).toHaveLength(before);
  });
  it('the same channel twice is refused as it would be the second time', () => {
    const run = prepare(openFourGas());
    const [first] = pairs(run);
    expect(run.try({ type: 'captureReadings', step: run.step().key, readings: [first!, first!] })).toMatchObject({
      code: 'alreadyRead',
    });
  });
  it('are checked one by one when they are posted', () => {
    expect(() => parseCommand({ type: 'captureReadings', step: 's', readings: [] })).toThrow();
    expect(() => parseCommand({ type: 'captureReadings', step: 's', readings: [{ point: 'zero' }] })).toThrow(/channel/);
  });
});
