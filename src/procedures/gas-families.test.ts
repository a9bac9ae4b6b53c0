import type { ServiceId } from '@/core/instrument/service';
import { describe, expect, it } from 'vitest';
import type { RunChannel } from '@/core/record/event';
import { technician } from '@/core/run/four-gas.fixture';
import type { MaterialComponent, ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import { summarise } from '@/core/results/summary';
import { litresOfRun } from '@/features/bench/steps/litres-of-run';
import { MODELS } from '@/processes/seed/catalogue';
import { fly } from '@/processes/seed/pilot';
import { Random } from '@/processes/seed/random';
import { shippedProcedure } from './index';
import { ROOM_EQUIPMENT, ROOM_REFERENCES, TRACED } from '@/core/run/room.fixture';

const part = (substance: string, value: string, unit: string, expanded: string): MaterialComponent => ({
  substance,
  value,
  unit,
  expanded,
  k: 2,
});
const material = (id: string, kind: 'gas' | 'tool', components: MaterialComponent[]): ReferenceSnapshot => ({
  id,
  kind,
  name: id,
  lot: id,
  expires: '2099-01-31',
  components,
  ...TRACED,
  ...(kind === 'gas' ? { availableL: '30' } : {}),
});
const FOUR = material('four', 'gas', [
  part('O2', '18', '%vol', '0.2'),
  part('CH4', '2.5', '%vol', '0.05'),
  part('H2S', '25', 'ppm', '0.5'),
  part('CO', '100', 'ppm', '2'),
]);
const MONOXIDE = material('co', 'gas', [part('CO', '100', 'ppm', '2')]);

const CASES: [model: string, gas: ReferenceSnapshot, tool: ReferenceSnapshot | null, asLeft: string][] = [
  ['OF-440', FOUR, null, 'within'],
  ['OF-120', MONOXIDE, null, 'within'],
  ['OF-125', MONOXIDE, null, 'within'],
  [
    'VT-C2',
    material('co2', 'gas', [part('CO2', '5000', 'ppm', '50')]),
    material('sc', 'tool', [part('CO2 scrubber', '1', '1', '0')]),
    'within',
  ],
  [
    'BN-G',
    material('mix', 'gas', [
      part('CO2', '5.00', '%vol', '0.03'),
      part('O2', '40', '%vol', '0.3'),
      part('N2O', '50', '%vol', '0.5'),
      part('agent', '2', '%vol', '0.03'),
    ]),
    null,
    'within',
  ],
  ['BN-A', material('dry', 'gas', [part('C2H5OH', '0.038', 'g/210 L', '0.0008')]), null, 'within'],
  ['OF-700', FOUR, material('zt', 'tool', [part('charcoal', '1', '1', '0')]), 'within'],
  ['VT-47', FOUR, null, 'within'],
];

function open(
  model: string,
  gas: ReferenceSnapshot,
  tool: ReferenceSnapshot | null,
  service: ServiceId = 'calibrate',
): ScriptedRun {
  const { procedureId, channels, traits } = MODELS.find((one) => one.name === model)!;
  return new ScriptedRun(shippedProcedure(procedureId!)!, {
    run: `run-${model}`,
    actor: technician,
    start: new Date('2026-11-25T08:00:00.000Z'),
    references: [gas, ...(tool ? [tool] : []), ...ROOM_REFERENCES],
  }).start({
    origin: 'guided',
    service,
    rule: 'simple',
    coverage: 0.9545,
    practice: false,
    items: [{ id: 'body', part: 'body', assetId: 'a', model, serial: '1', traits }],
    channels: channels.map((channel): RunChannel => ({ ...channel, id: `c-${channel.role}`, item: 'body', status: 'fitted' })),
  });
}
const flown = (model: string, gas: ReferenceSnapshot, tool: ReferenceSnapshot | null, service: ServiceId = 'calibrate') => {
  const run = open(model, gas, tool, service);
  fly({
    run,
    random: new Random(1),
    behaviour: { foundError: {}, dead: [], readAtZero: 0 },
    choose: (slot) => (run.procedure.slots.find((one) => one.id === slot)!.kind === 'tool' ? tool! : gas),
  });
  return run;
};

describe('gas families from the first step to the last', () => {
  it.each(CASES)('%s', (model, gas, tool, asLeft) => {
    const run = flown(model, gas, tool);
    expect(run.state.status).toBe('finished');
    expect(summarise(run.procedure, run.state).asLeft).toBe(asLeft);
    expect(run.state.stimuli.every((span) => span.offAt !== null)).toBe(true);
  });
  it.each(CASES.filter(([model]) => model !== 'BN-A'))('%s, as found only: nothing is adjusted', (model, gas, tool) => {
    const run = flown(model, gas, tool, 'asFoundOnly');
    expect(run.state.status).toBe('finished');
    expect(run.state.adjustments).toEqual([]);
  });
  it('the breath tester’s expected value falls with the pressure: 0.038 at sea level is 0.037 at about 980 hPa (270 m; common practice), and it is never adjusted', () => {
    const run = open('BN-A', CASES[5]![1], null);
    run.wait(60).do({ type: 'completeStep', step: 'warm-up' });
    run.do({
      type: 'completeStep',
      step: 'place',
      conditions: { temperatureC: '21', pressureHPa: '981', humidityPercent: '40' },
      equipment: ROOM_EQUIPMENT,
    });
    run.do({ type: 'bindReference', slot: 'mix', reference: 'dry', flowLPerMin: '1.5' });
    run.do({ type: 'completeStep', step: 'mouthpiece', answers: { new: { value: 'yes' } } });
    run.do({ type: 'captureReading', step: 'blanking#1/blank', point: 'blank', channel: 'c-alcohol', text: '0.000' });
    run.do({ type: 'completeStep', step: 'regulator', answers: { purged: { value: 'yes' } } });
    run.do({ type: 'changeStimulus', step: 'first-on', slot: 'mix', on: true });
    // Limits include their end value: 0.042 is inside 0.037 ± 0.005 (common practice).
    run.do({ type: 'captureReading', step: 'first', point: 'first', channel: 'c-alcohol', text: '0.042' });
    expect(run.state.readings.at(-1)).toMatchObject({ target: { value: '0.037' }, judgement: { state: 'within' } });
    expect(run.procedure.steps.some((step) => step.kind === 'adjust')).toBe(false);
  });
  it('the breath tester outside its limits is out of service', () => {
    const run = open('BN-A', CASES[5]![1], null);
    fly({
      run,
      random: new Random(1),
      behaviour: { foundError: { 'c-alcohol': 0.4 }, dead: [], readAtZero: 0 },
      choose: () => CASES[5]![1],
    });
    expect(Object.values(run.state.retired)).toHaveLength(1);
  });
  it('a scrubber is never in line with gas', () => {
    const run = open('VT-C2', CASES[3]![1], CASES[3]![2]);
    run.wait(300).do({ type: 'completeStep', step: 'warm-up' });
    run.do({
      type: 'completeStep',
      step: 'place',
      conditions: { temperatureC: '21', pressureHPa: '1000', humidityPercent: '40' },
      equipment: ROOM_EQUIPMENT,
    });
    run.do({ type: 'bindReference', slot: 'scrubber', reference: 'sc' });
    run.do({ type: 'completeStep', step: 'colour', answers: { white: { value: 'pass' }, hours: { value: '12' } } });
    run.do({ type: 'bindReference', slot: 'mix', reference: 'co2', flowLPerMin: '0.5' });
    run.do({ type: 'changeStimulus', step: 'scrub-on', slot: 'scrubber', on: true });
    run.wait(60).do({ type: 'completeStep', step: 'scrub-wait' });
    run.do({ type: 'captureReading', step: 'found-zero', point: 'zero', channel: 'c-co2', text: '0' });
    expect(run.try({ type: 'skipStep', step: run.step().key, reason: 'in a hurry' })).toMatchObject({ code: 'gasOpen' });
    expect(run.try({ type: 'changeStimulus', step: run.step().key, slot: 'mix', on: true })).toMatchObject({ code: 'notNow' });
    expect(run.state.stimuli[0]!.offAt).toBeNull();
  });
});

it('an alarm point that is another one afterwards needs who agreed, and stands on record', () => {
  const run = open('OF-120', MONOXIDE, null);
  fly({
    run,
    random: new Random(1),
    behaviour: { foundError: {}, dead: [], readAtZero: 0 },
    choose: () => MONOXIDE,
    stopAt: 'settings-after',
  });
  const answers = (note?: string) => ({
    span: { value: '100' },
    low: { value: '35' },
    high: { value: '200', ...(note ? { note } : {}) },
  });
  expect(run.try({ type: 'completeStep', step: 'settings-after', answers: answers() })).toMatchObject({
    code: 'whoAgreed',
    field: 'high',
  });
  run.do({ type: 'completeStep', step: 'settings-after', answers: answers('Runa Oskeld, by telephone') });
  expect(run.state.settings).toMatchObject([
    { setting: 'High alarm', before: '70', after: '200', agreedBy: 'Runa Oskeld, by telephone' },
  ]);
});

describe('after two failed tries', () => {
  const failing = () => {
    const run = open('VT-47', FOUR, null);
    for (let guard = 0; guard < 60; guard += 1) {
      const { key, step } = run.step();
      if (step.kind === 'decide') return run;
      if (step.kind === 'adjust' && step.action === 'span') {
        run.do({ type: 'adjust', step: key, channels: ['c-o2', 'c-ex', 'c-co'], outcome: 'passed' });
        run.do({ type: 'adjust', step: key, channels: ['c-h2s'], outcome: 'failed' });
      } else if (step.kind === 'adjust')
        run.do({ type: 'adjust', step: key, channels: run.state.channels.map((one) => one.id), outcome: 'passed' });
      else if (step.kind === 'wait') run.wait(step.minSeconds).do({ type: 'completeStep', step: key });
      else if (step.kind === 'check')
        run.do({
          type: 'completeStep',
          step: key,
          answers: Object.fromEntries(
            step.items.map((item) => [
              item.id,
              { value: item.answer === 'number' ? '0' : item.answer === 'passFault' ? 'pass' : 'yes' },
            ]),
          ),
        });
      else if (step.kind === 'condition')
        run.do({
          type: 'completeStep',
          step: key,
          conditions: { temperatureC: '21', pressureHPa: '1000', humidityPercent: '40' },
          equipment: ROOM_EQUIPMENT,
        });
      else if (step.kind === 'reference') run.do({ type: 'bindReference', slot: 'mix', reference: 'four', flowLPerMin: '0.5' });
      else if (step.kind === 'stimulus') run.do({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on }).wait(60);
      else if (step.kind === 'read')
        for (const channel of run.state.channels)
          for (const point of step.points)
            if (run.procedure.points.find((one) => one.id === point)!.channels.includes(channel.role))
              run.do({
                type: 'captureReading',
                step: key,
                point,
                channel: channel.id,
                text:
                  point === 'span'
                    ? { o2: '18.0', ex: '50', h2s: '10.0', co: '100' }[channel.role]!
                    : channel.role === 'o2'
                      ? '20.9'
                      : channel.role === 'h2s'
                        ? '0.0'
                        : '0',
              });
    }
    throw new Error('no decision came');
  };
  it('two rounds, then a decision for the one channel that failed', () => {
    const run = failing();
    expect(run.state.adjustments.filter((one) => one.action === 'span' && one.outcome === 'failed')).toHaveLength(2);
    expect(run.step()).toMatchObject({ channel: 'c-h2s' });
    expect(run.state.stimuli.every((span) => span.offAt !== null)).toBe(true);
  });
  it('a new sensor: serial on record, settled, zeroed, spanned; the series begins anew', () => {
    const run = failing();
    run.do({ type: 'decide', step: run.step().key, option: 'newSensor' });
    run.do({ type: 'completeStep', step: run.step().key, answers: { serial: { value: 'H2S-NEW' } } });
    expect(run.state.parts[0]).toMatchObject({ channel: 'c-h2s', newSerial: 'H2S-NEW' });
    run.wait(300).do({ type: 'completeStep', step: run.step().key });
    run.do({ type: 'adjust', step: run.step().key, channels: run.state.channels.map((one) => one.id), outcome: 'passed' });
    run.do({ type: 'changeStimulus', step: run.step().key, slot: 'mix', on: true });
    run.do({ type: 'adjust', step: run.step().key, channels: ['c-h2s'], outcome: 'passed' });
    run.do({ type: 'changeStimulus', step: run.step().key, slot: 'mix', on: false });
    expect(run.step().key).not.toContain('failed');
  });
  it('a trim with its cautions; still failing it ends in service or out of service', () => {
    const run = failing();
    run.do({ type: 'decide', step: run.step().key, option: 'trim' });
    run.do({ type: 'changeStimulus', step: run.step().key, slot: 'mix', on: true });
    expect(run.step().step.reason).toMatch(/safe area.*one turn at a time.*qualified repair/s);
    run.do({ type: 'adjust', step: run.step().key, channels: ['c-h2s'], outcome: 'failed' });
    run.do({ type: 'changeStimulus', step: run.step().key, slot: 'mix', on: false });
    expect(run.step().key).toContain('last');
    run.do({ type: 'decide', step: run.step().key, option: 'out' });
    expect(run.state.retired['c-h2s']).toMatchObject({ consequence: 'outOfService' });
  });
});

it('litres of a run are all its gas: three spans of 1.5 min at 0.3 L/min with 13 % waste are 1.53 L (arithmetic)', () => {
  expect(litresOfRun(shippedProcedure('single-gas-co-monitor')!, 0.3)).toBeCloseTo(1.53, 2);
});
