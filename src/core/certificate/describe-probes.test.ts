import { describe, expect, it } from 'vitest';
import type { Procedure } from '../procedure/procedure';
import type { RunChannel } from '../record/event';
import { emptyState, type RecordedReading, type RunState } from '../record/state';
import { describeProbes } from './describe-probes';

const channel = (rest: Partial<RunChannel>): RunChannel => ({
  id: 'c',
  role: 'ph',
  item: 'body',
  label: 'pH',
  measurand: 'pH',
  unit: 'pH',
  resolution: '0.01',
  lowest: '0',
  highest: '14',
  tolerance: { absolute: '0.1' },
  status: 'fitted',
  ...rest,
});
const procedure = { points: [], steps: [] } as unknown as Procedure;
const reading = (point: string, value: string, millivolts: string): RecordedReading =>
  ({
    seq: 1,
    point,
    channel: 'c',
    phase: 'adjustment',
    reading: { text: value, unit: 'pH', status: 'value' },
    inputs: { millivolts, temperatureC: '25' },
    target: { value, unit: 'pH', expanded: '0.02', k: 2, inputs: {}, binding: null, sentence: '' },
    flags: [],
  }) as unknown as RecordedReading;
const state = (one: RunChannel, readings: RecordedReading[], answers: RunState['answers'] = {}): RunState => ({
  ...emptyState('r'),
  channels: [one],
  readings,
  answers,
});

describe('what a certificate states of a probe', () => {
  it('slope of each segment in per cent and mV a pH, offset at pH 7 (Nernst slope 59.1593 mV at 25 °C, CODATA 2018)', () => {
    // 98 % of Nernst from an offset of −5 mV: −5 + 0.98 · 59.1593 · 3 = 168.93 mV in pH 4.
    const [said] = describeProbes(
      procedure,
      state(channel({}), [reading('seven', '7.000', '-5.0'), reading('four', '4.000', '168.9')]),
    );
    expect(said!.lines).toEqual(['slope 98.0 % (57.97 mV a pH) between pH 4.00 and 7.00', 'offset −5.0 mV at pH 7']);
  });
  it('one buffer: says that no slope was measured', () => {
    const [said] = describeProbes(procedure, state(channel({}), [reading('seven', '7.000', '-5.0')]));
    expect(said!.lines[0]).toBe('one buffer: no slope was measured');
  });
  it.each([
    [
      { measurand: 'conductivity', water: { compensation: { referenceC: '25', percentPerC: '1.91' } } },
      'referred to 25 °C by 1.91 %/°C, linear',
    ],
    [{ measurand: 'conductivity', water: { compensation: { referenceC: '20' } } }, 'referred to 20 °C by the meter’s own curve'],
    [{ measurand: 'conductivity' }, 'without temperature compensation'],
    [{ measurand: 'dissolved solids', water: { solids: { factor: '0.7' } } }, 'dissolved solids by the factor 0.7'],
    [
      { measurand: 'dissolved solids', water: { solids: { curve: 'mixedSalt' as const } } },
      'dissolved solids by the mixed-salt curve',
    ],
    [
      { measurand: 'oxygen saturation', water: { saturation: 'local' as const } },
      '100 % is saturation at the air pressure of the place',
    ],
    [{ measurand: 'oxygen saturation', water: { saturation: 'oneAtm' as const } }, '100 % is saturation at 1 atm (1013.25 hPa)'],
    [{ measurand: 'redox potential', water: { referenceElectrode: 'Ag/AgCl' } }, 'stated against Ag/AgCl'],
  ])('%j: %s', (rest, line) => {
    expect(describeProbes(procedure, state(channel(rest as Partial<RunChannel>), []))[0]!.lines).toContain(line);
  });
  it('a gas channel has none', () => {
    expect(describeProbes(procedure, state(channel({ measurand: 'methane' }), []))).toEqual([]);
  });
  it('the cell constant is the meter’s own word', () => {
    const one = channel({ role: 'ec', measurand: 'conductivity', water: { compensation: { referenceC: '25' } } });
    expect(describeProbes(procedure, state(one, [], { 'cell/cell-constant': { value: '0.982', seq: 4 } }))[0]!.lines).toContain(
      'cell constant 0.982 1/cm as read back from the meter',
    );
  });
});
