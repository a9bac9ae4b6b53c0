import { describe, expect, it } from 'vitest';
import { MODELS } from '@/processes/seed/catalogue';
import { PROCEDURES, shippedProcedure } from '@/procedures';
import { matchChannels } from '../live/match-channels';
import type { Command } from '../run/command';
import { summarise } from '../results/summary';
import { beginOnModel } from '../walk/begin-on-model';
import { handAt, outcomesOf } from '../walk/walk-hand';
import { HURRY, hurried } from './hurried';
import { practiceInfos } from './practice-infos';
import { PracticeInstrument } from './practice-instrument';

const HAND = { id: 'p', name: 'Newcomer', role: 'technician' } as const;
const START = new Date('2026-03-02T09:00:00.000Z');
/** More than any run of practice takes. */
const MOST = 400;

/** Works a practice run on the plain way; what is read is what the display shows. */
function practise(id: string) {
  const procedure = hurried(shippedProcedure(id)!);
  const model = MODELS.find((one) => one.procedureId === id) ?? MODELS.find((one) => one.name === 'OF-120')!;
  const { run } = beginOnModel(procedure, model, { run: 'practice', actor: HAND, start: START });
  const display = new PracticeInstrument(procedure, { pumped: false });
  display.frame(run.state, 0);
  for (let given = 0; given < MOST; given += 1) {
    const [planned] = run.current();
    if (!planned) break;
    const before = run.state.seq;
    for (const command of handAt(run, planned, outcomesOf(planned)[0]!)) {
      const { readings } = display.frame(run.state, 120);
      const slot = run.state.channels.findIndex((one) => 'channel' in command && one.id === command.channel);
      const shown: Command = command.type === 'captureReading' ? { ...command, text: readings[slot]!.text } : command;
      run.try(shown);
      run.wait(5);
    }
    if (run.state.seq === before) break;
  }
  const ended = run.try({ type: 'finish' });
  return { run, procedure, ended };
}

describe('a model tried on the sheet', () => {
  it.each(PROCEDURES.map((one) => one.id))('%s is practised to its end by what the display shows; as left it is within', (id) => {
    const { run, procedure, ended } = practise(id);
    expect(ended).toBeNull();
    expect(run.state.status).toBe('finished');
    expect(run.state.started!.practice).toBe(true);
    expect(['within', 'notMeasured']).toContain(summarise(procedure, run.state).asLeft);
  });
  it('a four-gas monitor comes to it with one channel outside, so that there is something to put right', () => {
    const { run, procedure } = practise('four-gas-leak-monitor');
    const { asFound, asLeft, adjusted } = summarise(procedure, run.state);
    expect([asFound, asLeft, adjusted]).toEqual(['outside', 'within', true]);
  });
  it('its waits are a tenth as long, and its display steps by the resolution of the model, on the model’s own channels', () => {
    const procedure = shippedProcedure('four-gas-leak-monitor')!;
    expect(hurried(procedure).warmUpSeconds * HURRY).toBe(procedure.warmUpSeconds);
    const model = MODELS.find((one) => one.name === 'OF-410')!;
    const { run } = beginOnModel(procedure, model, { run: 'p', actor: HAND, start: START });
    const match = matchChannels(practiceInfos(run.state.channels), run.state.channels);
    expect(Object.values(match)).toEqual([{ slot: 1 }, { slot: 2 }, { slot: 3 }, { slot: 4 }]);
    const { readings } = new PracticeInstrument(procedure, { pumped: true }).frame(run.state, 1);
    run.state.channels.forEach(({ resolution }, index) => {
      const steps = Number(readings[index]!.text) / Number(resolution);
      expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6);
    });
  });
});

describe('what its menu shows', () => {
  const begun = (id: string, hidden: ConstructorParameters<typeof PracticeInstrument>[1]['hidden']) => {
    const procedure = hurried(shippedProcedure(id)!);
    const model = MODELS.find((one) => one.procedureId === id)!;
    const { run } = beginOnModel(procedure, model, { run: 'p', actor: HAND, start: START });
    return new PracticeInstrument(procedure, { pumped: false, hidden: hidden ?? [] }).facts(run.state, START);
  };
  it('a sound one is right; a clock that is ahead, an aged electrode, a dirty cell show in the figures a technician reads', () => {
    expect(begun('four-gas-leak-monitor', []).clock).toBe(START.toISOString());
    expect(Date.parse(begun('four-gas-leak-monitor', [{ fault: 'wrongClock' }]).clock) - START.getTime()).toBe(5_400_000);
    const slope = (fault?: 'agedElectrode') =>
      Number(begun('combined-ph-ec-tester', fault ? [{ fault, channel: 'c-ph' }] : []).probe!.slopePercent);
    expect(slope()).toBe(98);
    expect(slope('agedElectrode')).toBeCloseTo(98 * 0.87, 1);
    // The cell constant that makes up for a cell that sees less.
    expect(Number(begun('combined-ph-ec-tester', [{ fault: 'dirtyCell', channel: 'c-ec' }]).probe!.cellConstant)).toBeCloseTo(
      1 / 0.88,
      2,
    );
  });
});
