import { careFrom } from './care-from';
import type { CheckItem } from '@/core/procedure/procedure';
import type { Frame } from '@/core/live/said';
import type { RunChannel } from '@/core/record/event';
import type { Capture } from '@/core/record/evidence';
import { equipmentFor } from './pilot';
import { inputsOfPoint } from '@/core/run/inputs-of-point';
import { missingReadings, readPairs } from '@/core/run/read-pairs';
import type { ReferenceSnapshot } from '@/core/record/reference-snapshot';
import { isRefusal, type Refusal } from '@/core/words/refusal';
import { resolveTarget } from '@/core/run/resolve-target';
import type { ScriptedRun } from '@/core/run/scripted';
import { boundReference, calibrationReadings } from '@/core/record/state';
import type { SimulatedMeter } from '@/standins/meter/simulated-meter';

export interface WaterPilot {
  run: ScriptedRun;
  meter: SimulatedMeter;
  choose: (slot: string) => ReferenceSnapshot;
  /** Liquid's and room's temperature. */
  roomC?: number;
  /** What the liquids have once the calibration is over: the bench warmed up meanwhile. */
  laterC?: number;
  stopAt?: string;
  /** The option to take at a decision; the first otherwise. */
  decide?: string;
  /** An electrode came dry. */
  dry?: boolean;
  /** Seconds of one step of the simulation. */
  stepSeconds?: number;
  /** Waits are left out, as a deviation. */
  hurried?: boolean;
  /** What the line said since the last dip; left out, response times are not measured. */
  trace?: Frame[];
  /** What was refused on the way, each with the step that was then left out. */
  refusals?: Refusal[];
}

const SETTLE_SECONDS = 90;
const WINDOW_SECONDS = 15;
const MOST_WAITS = 6;
/** Standing still: no channel moved by more than so many of its steps in the window. */
const CALM_STEPS = 3;

/** Works a run in water through to its end on a simulated meter, the way a technician would, by commands alone. */
export function flyWater(pilot: WaterPilot): void {
  for (let guard = 0; guard < 300; guard += 1) {
    const [step] = pilot.run.current();
    if (!step) break;
    if (step.key === pilot.stopAt) return;
    work(pilot, step);
  }
  pilot.run.wait(60).do({ type: 'finish' });
}

/** Temperature of what is poured now. */
function liquidC({ run, roomC = 22, laterC = roomC }: WaterPilot): number {
  return run.state.adjustments.length ? laterC : roomC;
}

function pass({ run, meter, trace, stepSeconds = 0.5 }: WaterPilot, seconds: number): void {
  run.wait(seconds);
  for (let i = 0; i < Math.min(seconds, 900) / stepSeconds; i += 1) {
    meter.tick(stepSeconds);
    trace?.push(meter.frame());
  }
}

function calm({ trace = [], meter }: WaterPilot): boolean {
  const last = trace.at(-1)?.seconds ?? 0;
  const window = trace.filter((frame) => frame.seconds > last - WINDOW_SECONDS);
  return meter.hello(new Date(0)).channels.every((info) => {
    const values = window.flatMap((frame) =>
      frame.readings.filter((one) => one.slot === info.slot && one.status === 'value').map((one) => Number(one.text)),
    );
    return values.length === 0 || Math.max(...values) - Math.min(...values) <= CALM_STEPS * Number(info.resolution);
  });
}

/** How it came to its value since the last dip, as a live line would tell it: time to nine tenths, and how still it stood at the end. */
function captureOf({ trace, run }: WaterPilot, slot: number): Capture | null {
  const seen = (trace ?? []).flatMap((frame) => {
    const shown = frame.readings.find((one) => one.slot === slot);
    return shown?.status === 'value' ? [{ seconds: frame.seconds, value: Number(shown.text), raw: shown.raw }] : [];
  });
  const [first, last] = [seen[0], seen.at(-1)];
  if (!first || !last) return null;
  const window = seen.filter((one) => one.seconds > last.seconds - WINDOW_SECONDS).map((one) => one.value);
  const change = last.value - first.value;
  const nine =
    Math.abs(change) > 0.3 ? seen.find((one) => Math.abs(one.value - first.value) >= 0.9 * Math.abs(change)) : undefined;
  return {
    line: run.state.run,
    spread: String(Number((Math.max(...window) - Math.min(...window)).toFixed(4))),
    windowSeconds: WINDOW_SECONDS,
    ...(nine ? { t90Seconds: Math.round((nine.seconds - first.seconds) * 10) / 10 } : {}),
    ...(last.raw === undefined ? {} : { raw: last.raw }),
  };
}

function work(pilot: WaterPilot, planned: ReturnType<ScriptedRun['current']>[number]): void {
  const { run, meter } = pilot;
  const roomC = liquidC(pilot);
  const { step, key, channel: only } = planned;
  switch (step.kind) {
    case 'wait':
      pass(pilot, pilot.hurried ? 20 : step.minSeconds);
      run.do({ type: 'completeStep', step: key, ...(pilot.hurried ? { deviation: 'in a hurry' } : {}) });
      break;
    case 'check':
      run.wait(10).do({
        type: 'completeStep',
        step: key,
        answers: Object.fromEntries(step.items.map((item) => [item.id, { value: answerTo(item, pilot) }])),
      });
      break;
    case 'condition': {
      meter.world.roomC = roomC;
      const pressureHPa = String(meter.world.pressureHPa);
      run.wait(20).do({
        type: 'completeStep',
        step: key,
        conditions: { temperatureC: roomC.toFixed(1), pressureHPa, humidityPercent: '45' },
        equipment: equipmentFor(run),
      });
      break;
    }
    case 'reference':
      for (const slot of step.slots)
        if (!boundReference(run.state, slot) || /#[2-9]/.test(key))
          run.wait(8).do({ type: 'bindReference', slot, reference: pilot.choose(slot).id });
      break;
    case 'stimulus': {
      const bottle = boundReference(run.state, step.slot)?.reference;
      if (step.on && bottle) meter.bench({ poured: { poured: bottle.components, temperatureC: roomC } });
      else if (step.on) meter.bench({ sleeve: true });
      else meter.bench({ poured: null, sleeve: false });
      run.do({ type: 'changeStimulus', step: key, slot: step.slot, on: step.on });
      if (!step.on) break;
      pilot.trace?.splice(0);
      pass(pilot, SETTLE_SECONDS);
      for (let i = 0; i < MOST_WAITS && pilot.trace && !calm(pilot); i += 1) pass(pilot, 30);
      break;
    }
    case 'read':
      pass(pilot, 5);
      for (const pair of missingReadings(step, key, only, run.procedure, run.state)) {
        const refused = read(pilot, key, pair);
        if (!refused) continue;
        pilot.refusals?.push(refused);
        run.do({ type: 'skipStep', step: key, reason: refused.sentence.slice(0, 200) });
        break;
      }
      break;
    case 'adjust':
      adjust(
        pilot,
        key,
        [...new Set(readPairs(step, step.together ? undefined : only, run.procedure, run.state).map((one) => one.channel))],
        step.points,
      );
      break;
    case 'care':
      meter.bench({ care: handFor(step.action) });
      run.do({ type: 'care', step: key, ...careFrom(run, step.uses ?? []) });
      break;
    case 'decide':
      run.wait(10).do({
        type: 'decide',
        step: key,
        option: (
          step.options.find((one) => one.id === pilot.decide) ??
          step.options.find((one) => one.id === 'goOn') ??
          step.options[0]!
        ).id,
      });
      break;
    default:
      throw new Error(`nobody knows how to do ${step.kind} in water`);
  }
}

/** What the hand at the simulated meter does for a care action, by its words. */
export const handFor = (action: string): 'clean' | 'membrane' | 'soak' =>
  /membrane/i.test(action) ? 'membrane' : /clean|wiped/i.test(action) ? 'clean' : 'soak';

function answerTo(item: CheckItem, { run, meter, dry }: WaterPilot): string {
  const probe = meter.facts(run.now).probe;
  const taken = new Set(
    run.state.channels
      .flatMap((channel) => calibrationReadings(run.state, channel))
      .map((one) => one.target?.inputs.buffer ?? one.point),
  ).size;
  switch (item.id) {
    case 'slope':
      return taken >= (item.needsPoints ?? 0) && probe?.slopePercent ? probe.slopePercent : 'none';
    case 'offset':
      return probe?.offsetMv ?? '0';
    case 'slope-before':
      return probe?.slopePercent ?? 'none';
    case 'offset-before':
      return probe?.offsetMv ?? 'none';
    case 'cell-constant':
      return probe?.cellConstant ?? '1';
    case 'response':
      return probe?.responseSeconds ?? '20';
    case 'dry':
      return dry ? 'yes' : 'no';
    case 'another':
      return taken >= 2 ? 'no' : 'yes';
    case 'wanted':
      return 'no';
    default:
      return { passFault: 'pass', yesNo: 'yes', number: '0', text: 'good', sensorSerial: 'NEW-1' }[item.answer];
  }
}

/** Slot of a channel on the meter: by measurand and unit. */
function slotOf(meter: SimulatedMeter, channel: RunChannel): number {
  return (
    meter.hello(new Date(0)).channels.find((one) => one.measurand === channel.measurand && one.unit === channel.unit)?.slot ?? -1
  );
}

/** What is asked for beside the reading, as the meter and the thermometer show it. */
export function inputsFrom(pilot: WaterPilot, channel: RunChannel, pointId: string): Record<string, string> {
  const { run, meter } = pilot;
  const roomC = liquidC(pilot);
  const point = run.procedure.points.find((one) => one.id === pointId)!;
  const { readings } = meter.frame();
  const of = (slot: number) => readings.find((one) => one.slot === slot);
  const known: Record<string, string | undefined> = {
    millivolts: of(slotOf(meter, channel))?.raw,
    // The thermometer in the beaker, never the meter's own sensor.
    temperatureC: meter.liquidC.toFixed(1),
    comparison: roomC.toFixed(1),
    low: '6.5',
    high: '7.5',
  };
  return Object.fromEntries(
    inputsOfPoint(point, channel).flatMap(({ name }) => (known[name] === undefined ? [] : [[name, known[name]]])),
  );
}

function read(pilot: WaterPilot, step: string, pair: { point: string; channel: string }): Refusal | null {
  const { run, meter } = pilot;
  const channel = run.state.channels.find((one) => one.id === pair.channel)!;
  const point = run.procedure.points.find((one) => one.id === pair.point)!;
  if (point.target.kind === 'recognised') meter.press({ id: 'k', key: 'span', slot: slotOf(meter, channel) });
  const shown = meter.frame().readings.find((one) => one.slot === slotOf(meter, channel))!;
  return run.wait(3).try({
    type: 'captureReading',
    step,
    ...pair,
    text: shown.text || shown.status,
    status: shown.status,
    inputs: inputsFrom(pilot, channel, pair.point),
    ...withCapture(captureOf(pilot, slotOf(meter, channel))),
  });
}

const withCapture = (capture: Capture | null) => (capture ? { capture } : {});

function adjust(pilot: WaterPilot, step: string, channels: string[], points: string[]): void {
  const { run, meter } = pilot;
  const outcome = (id: string): 'passed' | 'failed' => {
    const channel = run.state.channels.find((one) => one.id === id)!;
    if (channel.measurand === 'dissolved solids') return 'passed';
    const point = run.procedure.points.find((one) => points.includes(one.id) && one.channels.includes(channel.role))!;
    // A digital probe names its buffer by itself when the point was taken; here all of it is applied.
    if (point.target.kind === 'recognised') return meter.press({ id: 'k', key: 'save' }).answer.ok ? 'passed' : 'failed';
    const target = resolveTarget({
      point,
      channel,
      state: run.state,
      inputs: inputsFrom(pilot, channel, point.id),
      procedure: run.procedure,
    });
    const set =
      point.target.kind === 'comparison'
        ? liquidC(pilot).toFixed(1)
        : !isRefusal(target) && target && !meter.model.recognises
          ? target.value
          : undefined;
    const { answer } = meter.press({ id: 'k', key: 'span', slot: slotOf(meter, channel), ...(set ? { value: set } : {}) });
    if (answer.ok && meter.model.saves === 'apply') meter.press({ id: 'k', key: 'save' });
    return answer.ok ? 'passed' : 'failed';
  };
  run.wait(12);
  const results = channels.map((id) => [id, outcome(id)] as const);
  for (const wanted of ['passed', 'failed'] as const) {
    const these = results.filter(([, result]) => result === wanted).map(([id]) => id);
    if (these.length) run.do({ type: 'adjust', step, channels: these, outcome: wanted, readBack: {} });
  }
}
