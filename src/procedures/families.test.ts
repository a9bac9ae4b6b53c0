import { describe, expect, it } from 'vitest';
import { validateProcedure } from '@/core/procedure/validate-procedure';
import type { RunChannel } from '@/core/run/event';
import { fourGasChannels, gas, mix, technician } from '@/core/run/four-gas.fixture';
import type { ReferenceSnapshot } from '@/core/run/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import { summarise } from '@/core/run/summary';
import { PROCEDURES, shippedProcedure } from './index';

const start = new Date('2026-11-24T08:00:00.000Z');
const started = { origin: 'guided' as const, rule: 'simple' as const, coverage: 0.9545, practice: false };
const open = (id: string, references: ReferenceSnapshot[], source: 'typed' | 'imported' = 'typed') =>
  new ScriptedRun(shippedProcedure(id)!, { run: `run-${id}`, actor: technician, start, references, source });

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

describe('family 3: points not known beforehand, data belongs to the probe', () => {
  const ph: RunChannel = {
    id: 'c-ph',
    role: 'ph',
    item: 'probe',
    label: 'pH',
    measurand: 'pH',
    unit: 'pH',
    resolution: '0.01',
    lowest: '0',
    highest: '14',
    tolerance: { absolute: '0.1' },
    status: 'fitted',
  };
  const buffer = (id: string, substance: string): ReferenceSnapshot => ({
    id,
    kind: 'buffer',
    name: `Buffer ${substance}`,
    lot: `B-${id}`,
    expires: '2027-01-31',
    components: [{ substance, value: substance.slice(-4), unit: 'pH', expanded: '0.02', k: 2 }],
  });
  const run = open('digital-ph-probe', [buffer('b7', 'technical-7.00'), buffer('b4', 'technical-4.01')]).start({
    ...started,
    channels: [ph],
    items: [
      { id: 'meter', part: 'body', assetId: 'a-m', model: 'M', serial: '1', properties: [] },
      { id: 'probe', part: 'probe', assetId: 'a-p', model: 'P', serial: '2', properties: [] },
    ],
  });
  run.do({ type: 'completeStep', step: 'probe', answers: { glass: { value: 'pass' }, connector: { value: 'pass' } } });
  const dip = (round: number, reference: string, text: string, millivolts: string, another: string) => {
    run.do({ type: 'completeStep', step: `points#${round}/rinse`, answers: { rinsed: { value: 'yes' } } });
    run.do({ type: 'bindReference', slot: 'buffer', reference });
    run.do({ type: 'changeStimulus', step: `points#${round}/dip`, slot: 'buffer', on: true });
    const read = { type: 'captureReading', step: `points#${round}/read`, point: 'recognised', channel: 'c-ph', text } as const;
    if (round === 1)
      expect(run.try({ ...read, inputs: { millivolts: '90', temperatureC: '25' } })).toMatchObject({ code: 'notRecognised' });
    run.do({ ...read, inputs: { millivolts, temperatureC: '25' } });
    run.do({ type: 'changeStimulus', step: `points#${round}/lift`, slot: 'buffer', on: false });
    run.do({ type: 'completeStep', step: `points#${round}/more`, answers: { another: { value: another } } });
  };
  it('recognises each buffer as it comes, applies, and verifies with a second one', () => {
    dip(1, 'b7', '7.02', '-2', 'yes');
    dip(2, 'b4', '4.03', '171', 'no');
    run.do({ type: 'decide', step: 'result', option: 'apply' });
    run.do({
      type: 'adjust',
      step: 'store',
      channels: ['c-ph'],
      outcome: 'applied',
      readBack: { slopePercent: '97.9', zeroPointPH: '6.97', responseSeconds: '24' },
    });
    run.do({ type: 'bindReference', slot: 'second', reference: 'b7' });
    run
      .do({
        type: 'captureReading',
        step: 'verify',
        point: 'check',
        channel: 'c-ph',
        text: '7.02',
        inputs: { temperatureC: '25' },
      })
      .do({ type: 'finish' });
    expect(run.state.readings.map((reading) => reading.target?.value)).toEqual(['7.000', '4.010', '7.000']);
    // 7.02 read in 7.00 is inside ± 0.1: common practice.
    expect(summarise(run.procedure, run.state).asLeft).toBe('within');
    expect(run.state.started!.items.find((item) => item.id === run.state.channels[0]!.item)?.part).toBe('probe');
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
    components: [
      { substance: 'H2', value: '100', unit: 'ppm', expanded: '2', k: 2 },
      { substance: 'O2', value: '20.9', unit: '%vol', expanded: '0.2', k: 2 },
    ],
  };
  it('loses a calibration that is confirmed too late, and does it again', () => {
    const run = open('hydrogen-breath-monitor', [bottle]).start({
      ...started,
      channels: [h2],
      items: [{ id: 'body', part: 'body', assetId: 'a', model: 'HB', serial: '1', properties: [] }],
    });
    const flow = (step: string, on: boolean) => run.do({ type: 'changeStimulus', step, slot: 'gas', on });
    run
      .wait(300)
      .do({ type: 'completeStep', step: 'warm-up' })
      .do({ type: 'bindReference', slot: 'gas', reference: 'h2', flowLPerMin: '0.5' });
    run.do({ type: 'captureReading', step: 'found-zero', point: 'zero', channel: 'c-h2', text: '1' });
    flow('found-on', true).do({ type: 'completeStep', step: 'flow', answers: { ball: { value: 'yes' } } });
    run.wait(45).do({ type: 'captureReading', step: 'found', point: 'span', channel: 'c-h2', text: '92' });
    flow('found-off', false);
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
    expect(run.step().key).toBe('left-zero');
  });
});

describe('family 18: imported, no guided order, several bottles', () => {
  it('takes the station’s log in any order and calibrates only when the bump failed', () => {
    const run = open('automatic-station', [mix], 'imported').start({
      ...started,
      origin: 'imported',
      channels: fourGasChannels,
      items: [{ id: 'body', part: 'body', assetId: 'a', model: 'LM', serial: '1', properties: [] }],
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
      measurand: 'sulphur dioxide',
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
  const items = (properties: string[]) => [
    { id: 'body', part: 'body' as const, assetId: 'a', model: 'PF', serial: '1', properties },
  ];
  const throughSpan = (properties: string[]) => {
    const run = open('pumped-five-gas', [simulant]).start({ ...started, channels, items: items(properties) });
    run
      .wait(300)
      .do({ type: 'completeStep', step: 'warm-up' })
      .do({ type: 'completeStep', step: 'block', answers: { alarm: { value: 'pass' } } })
      .do({ type: 'bindReference', slot: 'mix', reference: 'ref-mix', flowLPerMin: '0.5' });
    const fitted = fourGasChannels.map((channel) => channel.id);
    ['ex', 'h2s', 'co'].forEach((role) =>
      run.do({ type: 'captureReading', step: 'found-zero', point: 'zero', channel: `c-${role}`, text: '0' }),
    );
    run.do({ type: 'captureReading', step: 'found-zero', point: 'air', channel: 'c-o2', text: '20.9' });
    gas(run, true);
    Object.entries({ 'c-o2': '18.0', 'c-ex': '54', 'c-h2s': '24.0', 'c-co': '98' }).forEach(([channel, text]) =>
      run.do({ type: 'captureReading', step: 'found', point: 'span', channel, text }),
    );
    run.do({
      type: 'captureReading',
      step: 'found',
      point: 'response',
      channel: 'c-o2',
      text: '18.0',
      inputs: { before: '20.9' },
    });
    gas(run, false);
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
    const spans = (properties: string[]) =>
      throughSpan(properties).state.adjustments.filter((adjustment) => adjustment.action === 'span').length;
    expect(spans(['detector-pairs'])).toBe(2);
    expect(spans([])).toBe(1);
  });
  it('reads 1.45 %vol methane as 58 %LEL on a pentane scale (common practice), sees oxygen fall, leaves the absent sensor out', () => {
    const { state } = throughSpan([]);
    expect(state.readings.find((reading) => reading.channel === 'c-ex' && reading.point === 'span')?.target?.value).toBe('58');
    expect(state.readings.find((reading) => reading.point === 'response')?.judgement).toMatchObject({
      code: 'observed',
      state: 'within',
    });
    expect(state.readings.some((reading) => reading.channel === 'c-so2')).toBe(false);
  });
});
