import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import type { Actor, RunChannel, StartedData } from '../record/event';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import { ROOM_EQUIPMENT, ROOM_REFERENCES, TRACED } from './room.fixture';
import { ScriptedRun } from './scripted';

export const technician: Actor = { id: 'u-tech', name: 'Tess Bench', role: 'technician' };
export const signatory: Actor = { id: 'u-sign', name: 'Sam Sign', role: 'signatory' };

const base = { item: 'body', status: 'fitted' as const };
export const fourGasChannels: RunChannel[] = [
  {
    ...base,
    id: 'c-o2',
    role: 'o2',
    label: 'O₂',
    measurand: 'oxygen',
    unit: '%vol',
    resolution: '0.1',
    lowest: '0',
    highest: '30',
    tolerance: { absolute: '0.5' },
    calibrationGas: 'O2',
    cleanAir: '20.9',
    principle: 'electrochemical',
  },
  {
    ...base,
    id: 'c-ex',
    role: 'ex',
    label: 'Combustible',
    measurand: 'methane',
    unit: '%LEL',
    resolution: '1',
    lowest: '0',
    highest: '100',
    tolerance: { absolute: '3', percentOfTarget: '10', zero: '2' },
    calibrationGas: 'CH4',
    principle: 'catalytic',
    scale: { lelVolPercent: '5.0', relativeResponse: '1', source: 'NFPA 497' },
  },
  {
    ...base,
    id: 'c-h2s',
    role: 'h2s',
    label: 'H₂S',
    measurand: 'hydrogen sulphide',
    unit: 'ppm',
    resolution: '0.5',
    lowest: '0',
    highest: '100',
    tolerance: { absolute: '2', percentOfTarget: '10', zero: '1' },
    calibrationGas: 'H2S',
    principle: 'electrochemical',
  },
  {
    ...base,
    id: 'c-co',
    role: 'co',
    label: 'CO',
    measurand: 'carbon monoxide',
    unit: 'ppm',
    resolution: '1',
    lowest: '0',
    highest: '500',
    tolerance: { absolute: '5', percentOfTarget: '10', zero: '2' },
    calibrationGas: 'CO',
    principle: 'electrochemical',
  },
];

export const mix: ReferenceSnapshot = {
  id: 'ref-mix',
  kind: 'gas',
  name: 'Four-gas mix',
  lot: 'L-2041',
  expires: '2027-06-30',
  availableL: '30',
  balance: 'N2',
  ...TRACED,
  components: [
    { substance: 'O2', value: '18.0', unit: '%vol', expanded: '0.18', k: 2 },
    { substance: 'CH4', value: '2.50', unit: '%vol', expanded: '0.05', k: 2 },
    { substance: 'H2S', value: '25.0', unit: 'ppm', expanded: '0.5', k: 2 },
    { substance: 'CO', value: '100', unit: 'ppm', expanded: '2', k: 2 },
  ],
};

export const startedFourGas: Omit<StartedData, 'procedure'> = {
  origin: 'guided',
  service: 'calibrate',
  rule: 'simple',
  coverage: 0.9545,
  practice: false,
  placedAt: '2026-11-24T08:00:00.000Z',
  items: [{ id: 'body', part: 'body', assetId: 'a-1', model: 'LM-4', serial: 'S-1', traits: {} }],
  channels: fourGasChannels,
};

export const OUTPUTS_WORK = { sound: { value: 'pass' }, light: { value: 'pass' }, vibration: { value: 'pass' } };
export const ZERO = { 'c-ex': '0', 'c-h2s': '0.0', 'c-co': '0', 'c-o2': '20.9' };
export const FOUND = { 'c-o2': '17.8', 'c-ex': '46', 'c-h2s': '21.5', 'c-co': '97' };
export const LEFT = { 'c-o2': '18.0', 'c-ex': '50', 'c-h2s': '25.0', 'c-co': '100' };

export function openFourGas(
  overrides: Partial<Omit<StartedData, 'procedure'>> = {},
  references: ReferenceSnapshot[] = [mix],
): ScriptedRun {
  return new ScriptedRun(family04, {
    run: 'run-1',
    actor: technician,
    start: new Date('2026-11-24T08:00:00.000Z'),
    references: [...references, ...ROOM_REFERENCES],
  }).start({ ...startedFourGas, ...overrides });
}

/** Warm-up, conditions and bottle: everything before the first reading. */
export function prepare(run: ScriptedRun): ScriptedRun {
  run.wait(300).do({ type: 'completeStep', step: 'warm-up' });
  return afterWarmUp(run);
}

/** Conditions, bottle and auto-zero, the warm-up being over. */
export function afterWarmUp(run: ScriptedRun): ScriptedRun {
  run.do({
    type: 'completeStep',
    step: 'place',
    conditions: { temperatureC: '21.5', pressureHPa: '1009', humidityPercent: '45' },
    equipment: ROOM_EQUIPMENT,
  });
  run.do({ type: 'bindReference', slot: 'mix', reference: 'ref-mix', flowLPerMin: '0.5' });
  return run.do({ type: 'completeStep', step: 'auto-zero', answers: { passed: { value: 'pass' } } });
}

/** Types the texts for whatever the present read step asks for. */
export function readAll(run: ScriptedRun, texts: Record<string, string>): ScriptedRun {
  const key = run.step().key;
  const step = run.step().step;
  if (step.kind !== 'read') throw new Error(`${key} is no read step`);
  for (const point of step.points) {
    const roles = run.procedure.points.find((candidate) => candidate.id === point)!.channels;
    for (const channel of run.state.channels.filter(
      (candidate) => roles.includes(candidate.role) && candidate.status === 'fitted' && !run.state.retired[candidate.id],
    )) {
      run.do({ type: 'captureReading', step: key, point, channel: channel.id, text: texts[channel.id]! });
    }
  }
  return run;
}

export function gas(run: ScriptedRun, on: boolean): ScriptedRun {
  return run.do({ type: 'changeStimulus', step: run.step().key, slot: 'mix', on });
}

export function asFound(run: ScriptedRun, found: Record<string, string> = FOUND): ScriptedRun {
  readAll(run, ZERO);
  gas(run, true).wait(90);
  readAll(run, found);
  return gas(run, false).wait(60).do({ type: 'completeStep', step: 'found-purge' });
}

/** Zero and span; `failing` channels fail the given number of tries. */
export function adjust(run: ScriptedRun, failing: Record<string, number> = {}): ScriptedRun {
  run.do({
    type: 'adjust',
    step: 'zeroing#1/zero',
    channels: ['c-o2', 'c-ex', 'c-h2s', 'c-co'].filter((id) =>
      run.state.channels.some((channel) => channel.id === id && channel.status === 'fitted'),
    ),
    outcome: 'passed',
  });
  while (run.step().key.startsWith('span[')) {
    const step = run.step();
    if (step.step.kind === 'stimulus') gas(run, step.step.on);
    else if (step.step.kind === 'wait') run.wait(step.step.minSeconds).do({ type: 'completeStep', step: step.key });
    else if (step.step.kind === 'decide') run.do({ type: 'decide', step: step.key, option: 'service' });
    else if (step.step.id === 'zero')
      run.do({
        type: 'adjust',
        step: step.key,
        channels: run.state.channels
          .filter((channel) => channel.status === 'fitted' && !run.state.retired[channel.id])
          .map((channel) => channel.id),
        outcome: 'passed',
      });
    else
      run.wait(60).do({
        type: 'adjust',
        step: step.key,
        channels: [step.channel!],
        outcome: (failing[step.channel!] ?? 0) >= step.iteration ? 'failed' : 'passed',
        readBack: { raw: '812 nA' },
      });
  }
  return run;
}

export function asLeft(run: ScriptedRun, left: Record<string, string> = LEFT): ScriptedRun {
  if (run.step().key === 'span-gas-off') gas(run, false);
  run.wait(60).do({ type: 'completeStep', step: 'purge' });
  readAll(run, ZERO);
  gas(run, true).wait(90);
  readAll(run, left);
  gas(run, false);
  run.do({ type: 'completeStep', step: 'alarms', answers: OUTPUTS_WORK });
  run.wait(60).do({ type: 'completeStep', step: 'left-purge' });
  return run.do({ type: 'completeStep', step: 'return', answers: { clean: { value: 'yes' } } });
}

export function wholeRun(failing: Record<string, number> = {}, references: ReferenceSnapshot[] = [mix]): ScriptedRun {
  return asLeft(adjust(asFound(prepare(openFourGas({}, references))), failing)).do({ type: 'finish' });
}
