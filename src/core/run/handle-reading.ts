import { measurandOf } from '../measurand';
import { pointed } from '../quantity/pointed';
import type { Command } from './command';
import { computedFound } from './computed-found';
import type { EventDraft } from '../record/event';
import type { Handling } from './handling';
import { at, stepInTurn } from './step-in-turn';
import { typedInputs } from './inputs-of-point';
import { judgeTyped } from './judge-typed';
import type { PlannedStep } from './plan-node';
import { missingReadings } from './read-pairs';
import { say } from '../words/say';
import { deviated } from './deviated';
import '@/core/words/en/deviations';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import { refused } from '../words/refused';
import { openStimulus, wasAdjusted, type RunState } from '../record/state';

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
  if (step.step.phase === 'asFound' && !step.step.computed && wasAdjusted(state, channel.id))
    return refuse('tooLate', `${channel.label} was adjusted already: as found can no longer be measured.`);
  const missing = missingReadings(step.step, step.key, step.channel, procedure, state);
  if (!missing.some((pair) => pair.point === point.id && pair.channel === channel.id))
    return refuse('alreadyRead', `${channel.label} is on record for this step. Strike it out first if it was wrong.`, {
      field: 'text',
    });

  const typed = typedInputs(point, channel, command.inputs ?? {});
  if (isRefusal(typed)) return typed;
  const computed = step.step.computed
    ? computedFound(step.step.computed, { state, channel, text: pointed(command.text), inputs: typed })
    : { text: command.text, inputs: typed };
  if ('refused' in computed) return computed;
  const { inputs } = computed;
  const result = judgeTyped({
    procedure,
    state,
    point,
    channel,
    text: computed.text,
    status: step.step.computed ? 'value' : (command.status ?? 'value'),
    inputs,
    ...(command.capture ? { capture: command.capture } : {}),
  });
  if ('refused' in result) return result;
  const contradiction =
    step.step.phase === 'adjustment' && result.target
      ? measurandOf(channel.measurand).contradicts?.({ point, channel, state, inputs, procedure }, result.target)
      : null;
  if (contradiction) return contradiction;
  const early = tooSoon(command, step, handling);
  if (isRefusal(early)) return early;
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
  const said = ownSensor(state, inputs, channel.label, handling);
  const events = [...early, captured, ...said];
  return missing.length > 1 ? events : [...events, draft('stepDone', {}, at(step))];
}

/** A figure typed before gas or liquid has acted for as long as the procedure asks: a deviation with its reason, once a step. A line proves by itself that it stood still. */
function tooSoon(
  { capture, deviation }: Extract<Command, { type: 'captureReading' }>,
  { step, key, iteration }: PlannedStep,
  { state, context, draft, procedure }: Handling,
): EventDraft[] | Refusal {
  // What has to stand still for so long can't have done so earlier.
  const asked = step.kind === 'read' ? (step.exposureSeconds ?? step.stability?.windowSeconds) : undefined;
  const span = openStimulus(state);
  // How long gas acted on paper stands on the paper.
  if (!asked || capture || !span || state.paper) return [];
  const now = context.origin?.occurredAt ?? context.now;
  const seconds = Math.floor((Date.parse(now) - Date.parse(span.onAt)) / 1000);
  if (seconds >= asked || state.deviations.some((one) => one.step === key)) return [];
  const what = procedure.slots.find((one) => one.id === span.slot)?.label ?? span.means;
  if (!deviation?.trim()) return refused('tooSoon', { seconds, what, asked }, 'deviation');
  const soon = { code: 'deviation.tooSoon', numbers: { title: step.title, seconds, what, asked } } as const;
  return [deviated({ draft }, soon, deviation.trim(), { step: key, iteration })];
}

/** The temperature came from the instrument itself, since nothing else was dipped: a deviation from the method, said once. */
function ownSensor(state: RunState, inputs: Record<string, string>, label: string, { draft }: Handling): EventDraft[] {
  const what = say({ code: 'deviation.ownSensor' });
  return inputs.temperatureFrom === 'instrument' && !state.deviations.some((one) => one.what === what)
    ? [deviated({ draft }, { code: 'deviation.ownSensor' }, { code: 'deviation.ownSensorReason', numbers: { channel: label } })]
    : [];
}
