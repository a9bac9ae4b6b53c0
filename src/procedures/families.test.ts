import type { Traits } from '@/core/instrument/traits';
import { describe, expect, it } from 'vitest';
import { validateProcedure } from '@/core/procedure/validate-procedure';
import type { RunChannel } from '@/core/record/event';
import { fourGasChannels, gas, mix, technician } from '@/core/run/four-gas.fixture';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import { PROCEDURES, shippedProcedure } from './index';
import { ROOM_EQUIPMENT, ROOM_REFERENCES, TRACED } from '@/core/run/room.fixture';

const start = new Date('2026-11-24T08:00:00.000Z');
const started = {
  origin: 'guided' as const,
  service: 'calibrate' as const,
  rule: 'simple' as const,
  coverage: 0.9545,
  practice: false,
};
const ROOM = { temperatureC: '21.5', pressureHPa: '1009', humidityPercent: '45' };
const open = (id: string, references: ReferenceSnapshot[], source: 'typed' | 'imported' = 'typed') =>
  new ScriptedRun(shippedProcedure(id)!, {
    run: `run-${id}`,
    actor: technician,
    start,
    references: [...references, ...ROOM_REFERENCES],
    source,
  });

describe('procedures that ship', () => {
  it.each(PROCEDURES.map((procedure) => [procedure.id, procedure] as const))(
    '%s names only what it defines',
    (_id, procedure) => {
      expect(validateProcedure(procedure)).toEqual([]);
    },
  );
  it('a procedure that uses an undefined point is refused by name', () => {
    const broken = structuredClone(shippedProcedure('hydrogen-breath-monitor')!);
    broken.points = broken.points.filter((point) => point.id !== 'span');
    expect(validateProcedure(broken).join()).toContain('“span”, which is not defined');
  });
});

describe('family 15: a deadline instead of a minimum wait', () => {
  const h2: RunChannel = {
    id: 'c-h2',
    role: 'h2',
    item: 'body',
    label: 'H₂',
    measurand: 'hydrogen',
    unit: 'ppm',
    resolution: '1',
    lowest: '0',
    highest: '500',
    tolerance: { absolute: '5', percentOfTarget: '5', zero: '2' },
    calibrationGas: 'H2',
    status: 'fitted',
  };
  const bottle: ReferenceSnapshot = {
    id: 'h2',
    kind: 'gas',
    name: 'Hydrogen in air',
    lot: 'H-1',
    expires: '2027-03-31',
    availableL: '20',
    ...TRACED,
    components: [
      { substance: 'H2', value: '100', unit: 'ppm', expanded: '2', k: 2 },
      { substance: 'O2', value: '20.9', unit: '%vol', expanded: '0.2', k: 2 },
    ],
  };
  it('loses a calibration that is confirmed too late, and does it again', () => {
    const run = open('hydrogen-breath-monitor', [bottle]).start({
      ...started,
      channels: [h2],
      items: [{ id: 'body', part: 'body', assetId: 'a', model: 'HB', serial: '1', traits: {} }],
    });
    const flow = (step: string, on: boolean) => run.do({ type: 'changeStimulus', step, slot: 'gas', on });
    run
      .wait(300)
      .do({ type: 'completeStep', step: 'warm-up' })
      .do({ type: 'completeStep', step: 'place', conditions: ROOM, equipment: ROOM_EQUIPMENT })
      .do({ type: 'bindReference', slot: 'gas', reference: 'h2', flowLPerMin: '0.5' });
    run.do({ type: 'captureReading', step: 'found-zero', point: 'zero', channel: 'c-h2', text: '1' });
    flow('found-on', true).do({
      type: 'completeStep',
      step: 'flow',
      answers: { kink: { value: 'yes' }, ball: { value: 'yes' } },
    });
    run.wait(45).do({ type: 'captureReading', step: 'found', point: 'span', channel: 'c-h2', text: '92' });
    flow('found-off', false).wait(60).do({ type: 'completeStep', step: 'found-purge' });
    run.do({ type: 'adjust', step: 'zeroing#1/zero', channels: ['c-h2'], outcome: 'passed' });
    for (const [round, seconds] of [
      [1, 45],
      [2, 10],
    ] as const) {
      flow(`calibration#${round}/on`, true)
        .wait(30)
        .do({ type: 'adjust', step: `calibration#${round}/touch`, channels: ['c-h2'], outcome: 'passed' });
      flow(`calibration#${round}/off`, false)
        .wait(seconds)
        .do({ type: 'save', step: `calibration#${round}/confirm` });
    }
    expect(run.state.saves.map((save) => save.outcome)).toEqual(['lost', 'saved']);
    expect(run.step().key).toBe('purge');
  });
});

describe('family 18: imported, no guided order, several bottles', () => {
  it('takes the station’s log in any order and calibrates only when the bump failed', () => {
    const run = open('automatic-station', [mix], 'imported').start({
      ...started,
      origin: 'imported',
      service: 'calibrate',
      channels: fourGasChannels,
      items: [{ id: 'body', part: 'body', assetId: 'a', model: 'LM', serial: '1', traits: {} }],
    });
    expect(run.current().map((step) => step.key)).toEqual(['log/gas', 'log/work']);
    run.do({ type: 'decide', step: 'log/work', option: 'bumpFirst' });
    const channels = Object.fromEntries(
      fourGasChannels.map((channel) => [channel.id, { moved: channel.role !== 'ex', rightWay: true }]),
    );
    run.do({ type: 'bump', step: 'log/bump', channels, outputs: { sound: true, light: true, vibration: true } });
    expect(run.state.bumps[0]!.outcome).toBe('failed');
    run.do({ type: 'bindReference', slot: 'cylinder-a', reference: 'ref-mix', flowLPerMin: '0.5' });
    run.do({ type: 'captureReading', step: 'log/calibration/after', point: 'span-a', channel: 'c-co', text: '100' });
    run.do({
      type: 'adjust',
      step: 'log/calibration/adjust',
      channels: fourGasChannels.map((channel) => channel.id),
      outcome: 'passed',
    });
    expect(run.state.readings[0]).toMatchObject({ phase: 'asLeft', target: { value: '100' } });
    expect(run.events.at(-1)!.source).toBe('imported');
  });
});

describe('family 21: detector pairs, pentane scale, absent sensor', () => {
  const channels = [
    ...fourGasChannels.map((channel) =>
      channel.role === 'ex'
        ? { ...channel, scale: { lelVolPercent: '5.0', relativeResponse: '2', source: 'NFPA 497' } }
        : channel,
    ),
    {
      ...fourGasChannels[2]!,
      id: 'c-so2',
      role: 'so2',
      label: 'SO₂',
      measurand: 'sulphur dioxide' as const,
      calibrationGas: 'SO2',
      status: 'removed' as const,
    },
  ];
  const simulant = {
    ...mix,
    components: mix.components.map((component) =>
      component.substance === 'CH4' ? { ...component, value: '1.45', expanded: '0.03' } : component,
    ),
  };
  const items = (traits: Traits) => [{ id: 'body', part: 'body' as const, assetId: 'a', model: 'PF', serial: '1', traits }];
  const throughSpan = (traits: Traits) => {
    const run = open('pumped-five-gas', [simulant]).start({ ...started, channels, items: items(traits) });
    run
      .wait(300)
      .do({ type: 'completeStep', step: 'warm-up' })
      .do({ type: 'completeStep', step: 'quick', answers: { declined: { value: 'yes' } } })
      .do({ type: 'completeStep', step: 'block', answers: { alarm: { value: 'pass' } } })
      .do({ type: 'completeStep', step: 'place', conditions: ROOM, equipment: ROOM_EQUIPMENT })
      .do({ type: 'bindReference', slot: 'mix', reference: 'ref-mix', flowLPerMin: '0.5' });
    run.do({ type: 'completeStep', step: 'tube', answers: { short: { value: 'yes' } } });
    const fitted = fourGasChannels.map((channel) => channel.id);
    ['ex', 'h2s', 'co'].forEach((role) =>
      run.do({ type: 'captureReading', step: 'found-zero', point: 'zero', channel: `c-${role}`, text: '0' }),
    );
    run.do({ type: 'captureReading', step: 'found-zero', point: 'air', channel: 'c-o2', text: '20.9' });
    gas(run, true).wait(60);
    Object.entries({ 'c-o2': '18.0', 'c-ex': '54', 'c-h2s': '24.0', 'c-co': '98' }).forEach(([channel, text]) =>
      run.do({ type: 'captureReading', step: 'found', point: 'span', channel, text }),
    );
    run.do({
      type: 'captureReading',
      step: 'fell',
      point: 'response',
      channel: 'c-o2',
      text: '18.0',
      inputs: { before: '20.9' },
    });
    gas(run, false).wait(60).do({ type: 'completeStep', step: 'found-purge' });
    while (run.step().key.startsWith('pass#')) {
      const { key, step } = run.step();
      if (step.kind === 'wait') run.wait(300).do({ type: 'completeStep', step: key });
      else if (step.kind === 'adjust') run.do({ type: 'adjust', step: key, channels: fitted, outcome: 'passed' });
      else if (step.kind === 'save') run.do({ type: 'save', step: key, readBack: '2026-11-24' });
      else gas(run, step.kind === 'stimulus' && step.on);
    }
    return run;
  };
  it('zeroes and spans twice with a gap where the sensor has two detector pairs, once where it has not', () => {
    const spans = (traits: Traits) =>
      throughSpan(traits).state.adjustments.filter((adjustment) => adjustment.action === 'span').length;
    expect(spans({ detectorPairs: true })).toBe(2);
    expect(spans({})).toBe(1);
  });
  it('reads 1.45 %vol methane as 58 %LEL on a pentane scale (common practice), sees oxygen fall, leaves the absent sensor out', () => {
    const { state } = throughSpan({});
    expect(state.readings.find((reading) => reading.channel === 'c-ex' && reading.point === 'span')?.target?.value).toBe('58');
    expect(state.readings.find((reading) => reading.point === 'response')?.judgement).toMatchObject({
      code: 'moved',
      state: 'within',
    });
    expect(state.readings.some((reading) => reading.channel === 'c-so2')).toBe(false);
  });
});
