import type { CheckItem } from '@/core/procedure/procedure';
import type { RunChannel } from '@/core/record/event';
import { expectedAnswer } from '@/core/run/expected-answer';
import { technician } from '@/core/run/four-gas.fixture';
import type { PlannedStep } from '@/core/run/plan-node';
import { missingReadings, readPairs } from '@/core/run/read-pairs';
import type { MaterialComponent, ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ROOM_EQUIPMENT, ROOM_REFERENCES, TRACED } from '@/core/run/room.fixture';
import { ScriptedRun } from '@/core/run/scripted';
import { valueBefore } from '@/core/run/value-before';
import { waitSeconds } from '@/core/run/wait-seconds';
import { MODELS } from '@/processes/seed/catalogue';
import { shippedProcedure } from './index';

/** A plain day at the bench by commands alone, on any gas family: what every step asks for, nothing bad. Tests say what is otherwise. */
const part = (substance: string, value: string, unit: string): MaterialComponent => ({
  substance,
  value,
  unit,
  expanded: '0.01',
  k: 2,
});
const SHELF: ReferenceSnapshot[] = [
  {
    id: 'four',
    kind: 'gas',
    name: 'four',
    lot: 'four',
    expires: '2099-01-31',
    availableL: '30',
    ...TRACED,
    components: [part('O2', '18', '%vol'), part('CH4', '2.5', '%vol'), part('H2S', '25', 'ppm'), part('CO', '100', 'ppm')],
  },
  {
    id: 'other',
    kind: 'gas',
    name: 'other',
    lot: 'other',
    expires: '2099-01-31',
    availableL: '30',
    ...TRACED,
    components: [part('CO', '50', 'ppm')],
  },
  {
    id: 'mix',
    kind: 'gas',
    name: 'mix',
    lot: 'mix',
    expires: '2099-01-31',
    availableL: '30',
    ...TRACED,
    components: [part('CO2', '5', '%vol'), part('O2', '40', '%vol'), part('N2O', '50', '%vol'), part('agent', '2', '%vol')],
  },
  {
    id: 'dry',
    kind: 'gas',
    name: 'dry',
    lot: 'dry',
    expires: '2099-01-31',
    availableL: '30',
    ...TRACED,
    components: [part('C2H5OH', '0.038', 'g/210 L')],
  },
];
const BOTTLE: Record<string, string> = { 'BN-G': 'mix', 'BN-A': 'dry' };

/** Tools and liquids: one for each place, by the place's own name. */
const atHand = (procedureId: string): ReferenceSnapshot[] =>
  shippedProcedure(procedureId)!.slots.flatMap(({ id, kind, roles, needs = [] }) =>
    kind === 'gas' || needs === 'channelGases' || ROOM_REFERENCES.some((one) => one.id === id)
      ? []
      : [
          {
            id,
            kind,
            name: id,
            lot: id,
            ...TRACED,
            ...(roles ? { role: roles[0]! } : {}),
            expires: '2099-01-31',
            components: needs.map((need) =>
              part(need, kind === 'buffer' ? '7' : '1413', kind === 'buffer' ? 'pH' : kind === 'standard' ? 'µS/cm' : '1'),
            ),
          },
        ],
  );

/** A run of a model, begun. */
export function open(
  model: string,
  {
    start = new Date('2026-11-25T08:00:00.000Z'),
    more = [],
    schools,
    alarms = {},
  }: {
    start?: Date;
    more?: ReferenceSnapshot[];
    schools?: Record<string, string>;
    alarms?: Record<string, NonNullable<RunChannel['alarms']>>;
  } = {},
): ScriptedRun {
  const { procedureId, channels, traits } = MODELS.find((one) => one.name === model)!;
  return new ScriptedRun(shippedProcedure(procedureId!)!, {
    run: `run-${model}`,
    actor: technician,
    start,
    references: [...SHELF, ...more, ...ROOM_REFERENCES, ...atHand(procedureId!)],
  }).start({
    origin: 'guided',
    service: 'calibrate',
    rule: 'simple',
    coverage: 0.9545,
    practice: false,
    ...(schools ? { schools } : {}),
    placedAt: new Date(start.getTime() - 3_600_000).toISOString(),
    items: [{ id: 'body', part: 'body', assetId: 'a', model, serial: '1', traits }],
    channels: channels.map((channel): RunChannel => ({
      ...channel,
      ...(alarms[channel.role] ? { alarms: alarms[channel.role]! } : {}),
      id: `c-${channel.role}`,
      item: 'body',
      status: 'fitted',
    })),
  });
}

/** What the room is on a plain day, and which equipment read it. */
export const PLAIN_ROOM = {
  conditions: { temperatureC: '21', pressureHPa: '1013', humidityPercent: '40' },
  equipment: ROOM_EQUIPMENT,
};
const GOOD = { passFault: 'pass', yesNo: 'yes', text: 'none', number: '0', sensorSerial: 'NEW-1' };
/** Nothing bad: what a setting was before, what it has to be, else the good answer. */
export const plainAnswers = (items: CheckItem[], planned: PlannedStep, run: ScriptedRun): Record<string, { value: string }> =>
  Object.fromEntries(
    items.map((item) => [
      item.id,
      { value: valueBefore(item, run.state) ?? expectedAnswer(item, planned, run) ?? GOOD[item.answer] },
    ]),
  );

/** What an ordinary day does at a step; a test says what is otherwise. Null: the day has ended. */
export function plainly(run: ScriptedRun, bottle: string): PlannedStep | null {
  const [planned] = run.current();
  if (!planned) return null;
  const { step, key, channel } = planned;
  const texts = (point: string, id: string) => {
    const { role, measurand, cleanAir } = run.state.channels.find((one) => one.id === id)!;
    if (point === 'air') return cleanAir ?? '20.9';
    if (point === 'blank') return '0.000';
    if (point === 'first' || point === 'second') return '0.038';
    if (point === 'zero')
      return role === 'h2s' ? '0.0' : measurand === 'carbon dioxide' || role === 'n2o' || role === 'agent' ? '0.0' : '0';
    return { o2: bottle === 'mix' ? '40.00' : '18.0', ex: '50', h2s: '25.0', co: '100', co2: '5.0', n2o: '50.0', agent: '2.0' }[
      role
    ]!;
  };
  switch (step.kind) {
    case 'wait':
      run.wait(waitSeconds(step, run.state)).do({ type: 'completeStep', step: key });
      break;
    case 'condition':
      run.do({ type: 'completeStep', step: key, ...PLAIN_ROOM });
      break;
    case 'reference':
      run.do({
        type: 'bindReference',
        slot: step.slots[0]!,
        reference: run.procedure.slots.find((one) => one.id === step.slots[0])!.kind === 'gas' ? bottle : step.slots[0]!,
        flowLPerMin: bottle === 'dry' ? '1.5' : '0.5',
      });
      break;
    case 'stimulus':
      run.do({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on }).wait(step.on ? 60 : 5);
      break;
    case 'check':
      run.do({ type: 'completeStep', step: key, answers: plainAnswers(step.items, planned, run) });
      break;
    case 'read':
      // The water bench has its own walks: here only what stands before it.
      if (step.points.includes('temperature')) run.do({ type: 'skipStep', step: key, reason: 'not what is tried here' });
      else
        for (const pair of missingReadings(step, key, channel, run.procedure, run.state))
          run.do({
            type: 'captureReading',
            step: key,
            ...pair,
            text: texts(pair.point, pair.channel),
            ...(pair.point === 'response' ? { inputs: { before: '20.9' } } : {}),
          });
      break;
    case 'adjust':
      run.do({
        type: 'adjust',
        step: key,
        channels: [
          ...new Set(readPairs(step, step.together ? undefined : channel, run.procedure, run.state).map((one) => one.channel)),
        ],
        outcome: 'passed',
      });
      break;
    case 'save':
      run.do({ type: 'save', step: key, readBack: '2026-11-25' });
      break;
    case 'bump':
      run.do({
        type: 'bump',
        step: key,
        channels: Object.fromEntries(run.state.channels.map((one) => [one.id, { moved: true, rightWay: true }])),
        outputs: { sound: true, light: true, vibration: true },
      });
      break;
    default:
      throw new Error(`nothing is decided on an ordinary day: ${key}`);
  }
  return planned;
}

/** Goes on plainly up to a step. */
export function upTo(run: ScriptedRun, wanted: RegExp): ScriptedRun {
  const model = run.state.started!.items[0]!.model;
  for (let guard = 0; guard < 200; guard += 1) {
    const [planned] = run.current();
    if (!planned) break;
    if (wanted.test(planned.key)) return run;
    plainly(run, BOTTLE[model] ?? 'four');
  }
  throw new Error(`${String(wanted)} never came`);
}
export const toTheEnd = (run: ScriptedRun): ScriptedRun => {
  const model = run.state.started!.items[0]!.model;
  for (let guard = 0; guard < 200 && plainly(run, BOTTLE[model] ?? 'four'); guard += 1);
  return run.wait(5).do({ type: 'finish' });
};
