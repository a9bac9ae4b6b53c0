import { careFrom } from './care-from';
import type { CheckItem, DecideOption } from '@/core/procedure/procedure';
import { ROOM } from '@/core/record/room';
import { ROOM_QUANTITIES, type RoomQuantity } from '@/core/procedure/room-quantity';
import { boundReference } from '@/core/record/state';
import { valueBefore } from '@/core/run/value-before';
import { expectedAnswer } from '@/core/run/expected-answer';
import type { PlannedStep } from '@/core/run/plan-node';
import { missingReadings, readPairs } from '@/core/run/read-pairs';
import { waitSeconds } from '@/core/run/wait-seconds';
import type { RunChannel } from '@/core/record/event';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { ScriptedRun } from '@/core/run/scripted';
import { Dec } from '@/core/quantity/decimal';
import { resolveTarget } from '@/core/run/resolve-target';
import type { Random } from './random';
import { toolFor } from './tool-for';

/** What one instrument does in one run: relative span error as found, and whether a channel will not adjust. */
export interface Behaviour {
  foundError: Record<string, number>;
  dead: string[];
  readAtZero: number;
}

export interface Pilot {
  run: ScriptedRun;
  random: Random;
  behaviour: Behaviour;
  choose: (slot: string, round: number) => ReferenceSnapshot;
  /** The bottle runs out after the as-found: another one, with other values, serves from there on. */
  second?: ReferenceSnapshot;
  /** A channel whose bump doesn't move, and an output that is silent. */
  silent?: boolean;
  stopAt?: string;
  /** The room as it is; somewhere ordinary where left out. */
  room?: { temperatureC: string; pressureHPa: string; humidityPercent: string };
  /** What is decided where something failed: to service otherwise. */
  decide?: 'service' | 'outOfService' | 'return' | 'mend' | 'calibrate' | 'fineZero';
  /** Questions, as step/item, that are answered badly at the first look, with what is wrong. */
  bad?: Record<string, string>;
  /** Role of a channel that gets a new sensor, once it was found. */
  fits?: string;
  /** The first zeros fail, so many of them. */
  zerosFail?: number;
}

/** Works a run through to its end the way a technician would, by commands alone. `stopAt` leaves it standing at a step. */
export function fly(pilot: Pilot): void {
  for (let guard = 0; guard < 400; guard += 1) {
    const [step] = pilot.run.current();
    if (!step) break;
    if (step.key === pilot.stopAt) return;
    work(pilot, step);
  }
  pilot.run.wait(60).do({ type: 'finish' });
}

function work(pilot: Pilot, planned: ReturnType<ScriptedRun['current']>[number]): void {
  const { run, random, behaviour, choose } = pilot;
  const { step, key, channel: only, iteration } = planned;
  const now = () => run.now.toISOString().slice(0, 10);
  switch (step.kind) {
    case 'wait':
      run.wait(waitSeconds(step, run.state) + random.whole(1, 40)).do({ type: 'completeStep', step: key });
      break;
    case 'check':
      run.wait(15).do({
        type: 'completeStep',
        step: key,
        answers: Object.fromEntries(
          step.items.map((item) => [item.id, badAnswer(pilot, planned, item) ?? { value: answerTo(item, planned, run) }]),
        ),
      });
      break;
    case 'condition':
      run.wait(20).do({
        type: 'completeStep',
        step: key,
        conditions: pilot.room ?? {
          temperatureC: random.between(19.5, 23.5).toFixed(1),
          pressureHPa: random.between(992, 1028).toFixed(0),
          humidityPercent: random.between(35, 60).toFixed(0),
        },
        equipment: equipmentFor(run),
      });
      break;
    case 'reference':
      step.slots.forEach((slot) =>
        run.wait(20).do({ type: 'bindReference', slot, reference: choose(slot, iteration).id, flowLPerMin: flowFor(slot, run) }),
      );
      break;
    case 'stimulus':
      if (step.on) changeBottle(pilot, step.slot);
      run.wait(step.on ? 3 : 2).do({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on });
      break;
    case 'read':
      run.wait(step.points.some((point) => /span|check|recognised/.test(point)) ? random.whole(60, 100) : 5);
      for (const pair of missingReadings(step, key, only, run.procedure, run.state))
        capture({ run, random, behaviour }, key, pair, step.phase);
      break;
    case 'adjust': {
      const old = run.state.channels.find((one) => one.role === pilot.fits);
      if (old && run.state.parts.length === 0)
        run
          .wait(300)
          .do({ type: 'replacePart', channel: old.id, part: 'sensor', newSerial: `S-${random.whole(10_000, 99_999)}` });
      const channels = [
        ...new Set(readPairs(step, step.together ? undefined : only, run.procedure, run.state).map((pair) => pair.channel)),
      ];
      const zeroFails =
        step.action === 'zero' && run.state.adjustments.filter((one) => one.action === 'zero').length < (pilot.zerosFail ?? 0);
      const failed = zeroFails || (step.action === 'span' && channels.length === 1 && behaviour.dead.includes(channels[0]!));
      run.wait(random.whole(20, 60)).do({
        type: 'adjust',
        step: key,
        channels,
        outcome: failed ? 'failed' : step.action === 'calibrate' && run.procedure.family === 3 ? 'applied' : 'passed',
        readBack: step.action === 'zero' || step.action === 'fineZero' ? {} : { raw: `${random.whole(620, 940)} nA` },
      });
      break;
    }
    case 'save':
      run.wait(6).do({ type: 'save', step: key, readBack: now() });
      break;
    case 'bump':
      run.wait(12).do({
        type: 'bump',
        step: key,
        channels: Object.fromEntries(run.state.channels.map((one) => [one.id, { moved: true, rightWay: true }])),
        outputs: { sound: !pilot.silent, light: true, vibration: true },
      });
      break;
    case 'care':
      run.do({ type: 'care', step: key, ...careFrom(run, step.uses ?? []) });
      break;
    case 'decide':
      // The workshop of the demo hands what fails twice to its service.
      run.wait(10).do({ type: 'decide', step: key, ...decisionOf(step.options, pilot.decide ?? 'service') });
      break;
  }
}

/** The workshop's usual flow, or one that this place allows. */
const flowFor = (slot: string, { procedure }: ScriptedRun): string =>
  procedure.slots.find((one) => one.id === slot)?.flows?.[0] ?? '0.5';

/** What was wanted, where it is among the answers; else what ends the matter, else the first. */
function decisionOf(options: DecideOption[], wanted: string): { option: string; note?: string } {
  const option =
    options.find((one) => one.id === wanted || one.consequence === wanted) ??
    options.find((one) => one.consequence && one.consequence !== 'discard') ??
    options[0]!;
  return { option: option.id, ...(option.needsNote ? { note: 'New part fitted' } : {}) };
}

/** A bad answer at the first look; put right it is good at the next. */
function badAnswer({ bad, run }: Pilot, { step, key }: PlannedStep, item: CheckItem): { value: string; note: string } | null {
  const wrong = bad?.[`${step.id}/${item.id}`];
  if (!wrong || /~\d+$/.test(key) || run.state.ending) return null;
  return { value: item.answer === 'yesNo' ? 'no' : 'fault', note: wrong };
}

/** Equipment of the room by quantity, where the procedure has places for it: what is at hand. */
export function equipmentFor({ procedure, options }: ScriptedRun): Partial<Record<RoomQuantity, string>> {
  return Object.fromEntries(
    ROOM_QUANTITIES.flatMap((quantity) => {
      const slot = procedure.slots.find((one) => one.id === ROOM[quantity].slot);
      return slot ? [[quantity, toolFor(slot, options.references).id]] : [];
    }),
  );
}

/** Once the as-found in gas is on record the bottle is empty: the next one stands in for the rest. */
function changeBottle({ run, second }: Pilot, slot: string): void {
  const bound = boundReference(run.state, slot);
  const found = run.state.readings.some((one) => one.phase === 'asFound' && one.target?.binding === bound?.seq);
  if (!second || !bound || !found || bound.reference.id === second.id) return;
  run.wait(40).do({ type: 'bindReference', slot, reference: second.id, flowLPerMin: '0.5' });
}

const PLAIN_ANSWER = { passFault: 'pass', yesNo: 'yes', number: '0', text: 'none', sensorSerial: 'NEW-1' };

/** What a plain day answers: no fault, and what the instrument keeps is what the bottle says. */
function answerTo(item: CheckItem, planned: PlannedStep, run: ScriptedRun): string {
  if (item.about === 'another' && planned.iteration >= 2) return 'no';
  return valueBefore(item, run.state) ?? expectedAnswer(item, planned, run) ?? PLAIN_ANSWER[item.answer];
}

function capture(
  { run, random, behaviour }: Pick<Pilot, 'run' | 'random' | 'behaviour'>,
  step: string,
  pair: { point: string; channel: string },
  phase: string,
): void {
  const channel = run.state.channels.find((candidate) => candidate.id === pair.channel)!;
  const point = run.procedure.points.find((candidate) => candidate.id === pair.point)!;
  const inputs = inputsFor(point.target.kind, random, step);
  const target = resolveTarget({ point, channel, state: run.state, inputs, procedure: run.procedure });
  if (target !== null && 'refused' in target) throw new Error(target.sentence);
  const value = target === null ? 15 : readingValue(Number(target.value), channel, point.id, phase, behaviour, random);
  run
    .wait(4)
    .do({ type: 'captureReading', step, point: pair.point, channel: pair.channel, text: onDisplay(value, channel), inputs });
}

function inputsFor(kind: string, random: Random, step: string): Record<string, string> {
  if (kind === 'observe') return { before: '20.9' };
  if (kind === 'recognised')
    return {
      millivolts: (step.includes('#1') ? random.between(-8, 4) : random.between(168, 176)).toFixed(1),
      temperatureC: random.between(20, 24).toFixed(1),
    };
  return kind === 'material' ? { temperatureC: '22.0' } : {};
}

function readingValue(
  target: number,
  channel: RunChannel,
  point: string,
  phase: string,
  behaviour: Behaviour,
  random: Random,
): number {
  const step = Number(channel.resolution);
  if (point === 'blank') return 0;
  if (point === 'zero') return Math.abs(random.normal()) * behaviour.readAtZero * step;
  if (point === 'air') return target + random.normal() * 0.4 * step;
  if (behaviour.dead.includes(channel.id)) return target * 0.1;
  const found = phase === 'asFound' ? target * (behaviour.foundError[channel.id] ?? 0) : 0;
  return target + found + random.normal() * 0.45 * step;
}

/** The nearest step that this display can show, with its digits. */
function onDisplay(value: number, channel: RunChannel): string {
  const step = new Dec(channel.resolution);
  return new Dec(Math.max(0, value)).div(step).toDecimalPlaces(0).times(step).toFixed(step.decimalPlaces());
}
