import { Dec, decimalPlaces } from '../quantity/decimal';
import { checkTypedReading, type Reading } from '../quantity/reading';
import type { Point } from '../procedure/procedure';
import { checkMillivolts, sameBufferTwice } from './check-millivolts';
import type { Command } from './command';
import type { EventDraft, RunChannel, TargetUsed } from './event';
import type { Handling } from './handling';
import { at, stepInTurn } from './handle-step';
import { typedInputs } from './inputs-of-point';
import { judgeReading, toleranceAt, type Judgement } from './judge';
import { missingReadings } from './plan';
import { isRefusal, refuse, type Refusal } from './refusal';
import { resolveTarget } from './resolve-target';
import { wasAdjusted, type RunState } from './state';

/** A reading as displayed, with the target it was compared with and the verdict, all copied into the event. */
export function handleReading(command: Extract<Command, { type: 'captureReading' }>, handling: Handling): EventDraft[] | Refusal {
  const { procedure, state, draft } = handling;
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'read') return refuse('notNow', 'This step takes no readings.');
  const channel = state.channels.find((candidate) => candidate.id === command.channel);
  const point = procedure.points.find((candidate) => candidate.id === command.point);
  if (!channel || !point || !step.step.points.includes(point.id) || !point.channels.includes(channel.role))
    return refuse('noPoint', 'This step has no such point.');
  if (channel.status !== 'fitted') return refuse('notFitted', `${channel.label} is not fitted or not to be calibrated.`);
  if (step.step.phase === 'asFound' && wasAdjusted(state, channel.id))
    return refuse('tooLate', `${channel.label} was adjusted already: as found can no longer be measured.`);
  const missing = missingReadings(step.step, step.key, step.channel, procedure, state);
  if (!missing.some((pair) => pair.point === point.id && pair.channel === channel.id))
    return refuse('alreadyRead', `${channel.label} is on record for this step. Strike it out first if it was wrong.`, {
      field: 'text',
    });

  const inputs = typedInputs(point, channel, command.inputs ?? {});
  if (isRefusal(inputs)) return inputs;
  const result = judgeTyped({
    procedure,
    state,
    point,
    channel,
    text: command.text,
    status: command.status ?? 'value',
    inputs,
    ...(command.capture?.settling ? { settling: command.capture.settling } : {}),
  });
  if ('refused' in result) return result;
  const contradiction = step.step.phase === 'adjustment' ? contradicted(inputs, point, channel, result.target, state) : null;
  if (contradiction) return contradiction;
  const counts = step.step.counts !== false;
  const captured = draft(
    'readingCaptured',
    {
      point: point.id,
      channel: channel.id,
      phase: step.step.phase,
      reading: result.reading,
      inputs,
      target: result.target,
      judgement: result.judgement,
      counts,
      ...(step.step.remark ? { remark: step.step.remark } : {}),
      ...(command.capture ? { capture: command.capture } : {}),
    },
    at(step),
  );
  return missing.length > 1 ? [captured] : [captured, draft('stepDone', {}, at(step))];
}

/**
 * Judges what was typed without recording it: the sheet shows it while the figure is still being typed.
 * The same function serves the record, so what was seen is what is kept.
 */
export function judgeTyped({
  procedure,
  state,
  point,
  channel,
  text,
  status,
  inputs: given,
  settling,
}: {
  procedure: Handling['procedure'];
  state: RunState;
  point: Point;
  channel: RunChannel;
  text: string;
  status: Reading['status'];
  inputs: Record<string, string>;
  settling?: string;
}): { reading: Reading; target: TargetUsed | null; judgement: Judgement } | Refusal {
  const withNumber = status === 'value' || status === 'flicker';
  const problem = withNumber
    ? checkTypedReading({
        text,
        resolution: channel.resolution,
        lowest: channel.lowest,
        highest: channel.highest,
        unit: channel.unit,
      })
    : null;
  if (problem) return refuse(problem.code, problem.sentence, { field: 'text' });
  const inputs = typedInputs(point, channel, given);
  if (isRefusal(inputs)) return inputs;
  const target = resolveTarget({ point, channel, state, inputs, procedure });
  if (target !== null && 'refused' in target) return target;
  const reading: Reading = { text: withNumber ? text.trim() : status, unit: channel.unit, status };
  return { reading, target, judgement: judgementFor(reading, target, point, channel, state, inputs, settling) };
}

function judgementFor(
  reading: Reading,
  target: TargetUsed | null,
  point: Point,
  channel: RunChannel,
  state: RunState,
  inputs: Record<string, string>,
  settling?: string,
): Judgement {
  const { rule, coverage } = state.started!;
  if (target === null) return observed(reading, point, inputs, rule);
  const tolerance =
    point.target.kind === 'strip'
      ? new Dec(target.value).minus(inputs.low!).toFixed()
      : typeof point.tolerance === 'object'
        ? point.tolerance.limit
        : toleranceAt({ tolerance: channel.tolerance, target: target.value, zero: point.tolerance === 'zero' });
  // Gas closed before the very end: what may still have come enters as a rectangle (JCGM 100:2008, 4.3.7).
  const extra = settling
    ? [
        {
          name: 'settling',
          standard: Number(settling) / Math.sqrt(3),
          basis: `at most ${settling} ${channel.unit} still to come, rectangular`,
        },
      ]
    : [];
  const judged = judgeReading({ reading, target, tolerance, resolution: channel.resolution, rule, coverage, extra });
  const judgement = withCaution(judged, point, channel.unit);
  const gate = point.gate && (point.gate.ofTarget ? gateAbout(target.value, point.gate, channel.resolution) : point.gate);
  const outsideGate =
    gate && reading.status === 'value' && (new Dec(reading.text).lt(gate.lowest) || new Dec(reading.text).gt(gate.highest));
  return outsideGate
    ? {
        ...judgement,
        code: 'implausible',
        state: 'notMeasured',
        sentence: `Not believed: ${gate.reason} (${gate.lowest} to ${gate.highest}).`,
      }
    : judgement;
}

/** A band in parts of the target, as figures that the display could show. */
function gateAbout(target: string, gate: NonNullable<Point['gate']>, resolution: string): NonNullable<Point['gate']> {
  const at = (share: string) => new Dec(target).times(share).toFixed(decimalPlaces(resolution));
  return { ...gate, lowest: at(gate.lowest), highest: at(gate.highest) };
}

/** Inside the limit, but past the caution: it passes, and says so. */
function withCaution(judgement: Judgement, point: Point, unit: string): Judgement {
  const caution = typeof point.tolerance === 'object' ? point.tolerance.caution : undefined;
  if (!caution || judgement.state !== 'within' || judgement.error === null || !new Dec(judgement.error).abs().gt(caution))
    return judgement;
  return {
    ...judgement,
    code: 'caution',
    sentence: `${judgement.sentence} Caution: beyond ± ${caution} ${unit}, keep an eye on it.`,
  };
}

/** While a meter is being calibrated nothing is taken that contradicts the bottle: the sign, another buffer's voltage, the same buffer twice. */
function contradicted(
  inputs: Record<string, string>,
  point: Point,
  channel: RunChannel,
  target: TargetUsed | null,
  state: RunState,
): Refusal | null {
  if (channel.measurand !== 'pH' || !target) return null;
  if (point.target.kind === 'recognised') return sameBufferTwice(state, channel, target.inputs.buffer!);
  if (point.target.kind !== 'material' || point.target.via !== 'atTemperature') return null;
  const buffer = point.target.component;
  return (
    (inputs.millivolts === undefined
      ? null
      : checkMillivolts({
          millivolts: inputs.millivolts,
          temperatureC: Number(inputs.temperatureC),
          buffer,
          pH: Number(target.value),
        })) ?? null
  );
}

/** A point that is only watched: did it move the right way from what it showed before. */
function observed(reading: Reading, point: Point, inputs: Record<string, string>, rule: 'simple' | 'guarded'): Judgement {
  const up = point.target.kind === 'observe' && point.target.direction === 'rise';
  const moved = reading.status === 'value' && inputs.before !== undefined ? new Dec(reading.text).minus(inputs.before) : null;
  const right = moved !== null && (up ? moved.gt(0) : moved.lt(0));
  return {
    code: 'observed',
    state: moved === null ? 'notMeasured' : right ? 'within' : 'outside',
    error: null,
    lower: null,
    upper: null,
    standard: null,
    k: null,
    expanded: null,
    components: [],
    rule,
    sentence:
      moved === null
        ? 'Only watched: no earlier reading to compare with.'
        : `${right ? 'Moved as it should' : 'Did not move as it should'}: from ${inputs.before} to ${reading.text} ${reading.unit}.`,
  };
}
