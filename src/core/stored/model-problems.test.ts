import { describe, expect, it } from 'vitest';
import type { Procedure } from '../procedure/procedure';
import type { ModelChannel } from './channel';
import { modelProblems } from './model-problems';

const procedure: Pick<Procedure, 'title' | 'channels'> = {
  title: 'Two gases',
  channels: [
    { role: 'co', label: 'CO', measurands: ['carbon monoxide'] },
    { role: 'ex', label: 'Combustible', measurands: ['methane', 'pentane'], optional: true },
  ],
};
const co: ModelChannel = {
  role: 'co',
  label: 'CO',
  measurand: 'carbon monoxide',
  unit: 'ppm',
  resolution: '1',
  lowest: '0',
  highest: '500',
  tolerance: { absolute: '5', percentOfTarget: '10' },
};
const ex: ModelChannel = {
  ...co,
  role: 'ex',
  label: 'LEL',
  measurand: 'methane',
  unit: '%LEL',
  highest: '100',
  tolerance: { absolute: '3' },
  scale: { lelVolPercent: '4.4', relativeResponse: '1', source: 'IEC 60079-20-1' },
};
const of = (channels: ModelChannel[], traits = {}) =>
  modelProblems({ traits, channels, procedure }).map(({ field, code }) => [field, code]);

describe('what does not fit together in a model', () => {
  it('nothing, where all fits; an optional channel may be there or not', () => {
    expect(of([co])).toEqual([]);
    expect(of([co, ex], { pumped: true, drawsLPerMin: '0.5', pumpSwitchable: true })).toEqual([]);
  });
  it('channels against the procedure: missing, unread, twice, another quantity', () => {
    expect(of([])).toEqual([
      ['channels', 'model.channelMissing'],
      ['channels', 'model.noChannel'],
    ]);
    expect(of([co, { ...co, role: 'so2', label: 'SO₂' }])).toEqual([['channels.1.label', 'model.channelUnread']]);
    expect(of([co, co])).toEqual([['channels.1.label', 'model.channelTwice']]);
    expect(of([{ ...co, measurand: 'hydrogen' }])).toEqual([['channels.0.measurand', 'model.measurandElsewhere']]);
  });
  // Common practice: a tolerance under the step of the display can't be judged; alarm points lie in the range.
  it.each([
    [{ ...co, unit: 'pH' }, 'unit', 'model.unit'],
    [{ ...co, resolution: '0' }, 'resolution', 'model.step'],
    [{ ...co, resolution: '400' }, 'resolution', 'model.stepRange'],
    [{ ...co, highest: '0' }, 'highest', 'model.range'],
    [{ ...co, tolerance: {} }, 'tolerance.absolute', 'model.noTolerance'],
    [{ ...co, tolerance: { absolute: '-5' } }, 'tolerance.absolute', 'model.tolerancePositive'],
    [{ ...co, tolerance: { absolute: '0.5' } }, 'tolerance.absolute', 'model.toleranceStep'],
    [{ ...co, alarms: { low: '35', high: '30' } }, 'alarms.high', 'model.alarmOrder'],
    [{ ...co, alarms: { high: '600' } }, 'alarms.high', 'model.alarmRange'],
  ] as const)('%#: %s', (channel, field, code) => {
    expect(of([channel as ModelChannel]).filter(([, one]) => one === code)).toEqual([[`channels.0.${field}`, code]]);
  });
  it('a display in % LEL without the LEL of its gas; properties that exclude each other', () => {
    const bare = { ...ex };
    delete bare.scale;
    expect(of([co, bare])).toEqual([['channels.1.unit', 'model.noScale']]);
    expect(of([co], { pumpSwitchable: true })).toEqual([['traits.pumpSwitchable', 'model.switchUnpumped']]);
    expect(of([co], { spanFixed: true, spanStored: true })).toEqual([['traits.spanStored', 'model.spanTwice']]);
  });
});
