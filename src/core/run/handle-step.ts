import { differenceInMilliseconds, parseISO } from 'date-fns';
import type { Answer, Command } from './command';
import type { EventDraft, RunChannel } from './event';
import type { Handling } from './handling';
import { missingReadings, type PlannedStep } from './plan';
import { at, stepInTurn } from './step-in-turn';
import { recordConditions } from './handle-condition';
import { isRefusal, refuse, type Refusal } from './refusal';
import { calibrationReadings, openStimulus, type RunState } from './state';
import type { CheckItem } from '../procedure/procedure';

export function handleEnter(command: Extract<Command, { type: 'enterStep' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  return step.status === 'todo' ? [handling.draft('stepEntered', {}, at(step))] : [];
}

export function handleComplete(command: Extract<Command, { type: 'completeStep' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  const done = handling.draft('stepDone', {}, at(step));
  switch (step.step.kind) {
    case 'wait':
      return completeWait(step, command.deviation, handling, done);
    case 'check': {
      const answers = command.answers ?? {};
      for (const item of step.step.items) {
        const answer = answers[item.id];
        if (!answer?.value?.trim()) return refuse('unanswered', `${item.label}: an answer is missing.`, { field: item.id });
        if (
          item.answer === 'number' &&
          !(item.needsPoints && answer.value.trim() === 'none') &&
          !/^[+-]?\d+(\.\d+)?$/.test(answer.value.trim())
        )
          return refuse('notANumber', `${item.label}: “${answer.value}” is not a number.`, { field: item.id });
        const short = tooFewPoints(item, answer.value, handling.state);
        if (short) return refuse('tooFewPoints', short, { field: item.id });
        const before = item.sameAs ? handling.state.answers[item.sameAs]?.value : undefined;
        if (before !== undefined && Number(before) !== Number(answer.value) && !answer.note?.trim())
          return refuse('whoAgreed', `${item.label} was ${before} before: a safety setting. Say who agreed to the change.`, {
            field: item.id,
            numbers: { before, after: answer.value },
          });
        if (item.answer === 'passFault' && answer.value === 'fault' && !answer.note?.trim())
          return refuse('faultNeedsNote', `${item.label}: say what is wrong.`, { field: item.id });
      }
      return [
        ...step.step.items.map((item) =>
          handling.draft(
            'answered',
            {
              item: item.id,
              value: answers[item.id]!.value.trim(),
              ...(answers[item.id]!.note ? { note: answers[item.id]!.note! } : {}),
            },
            at(step),
          ),
        ),
        ...step.step.items.flatMap((item) => changedSetting(item, answers[item.id]!, step, handling)),
        ...step.step.items.flatMap((item) => newSensor(item, answers[item.id]!.value.trim(), step, handling)),
        done,
      ];
    }
    case 'condition': {
      const recorded = recordConditions(step.step.quantities, step, command, handling);
      return isRefusal(recorded) ? recorded : [...recorded, done];
    }
    case 'reference': {
      const missing = step.step.slots.filter(
        (slot) => !handling.state.bindings.some((binding) => binding.slot === slot && !binding.released && !binding.struck),
      );
      return missing.length ? refuse('noReference', `Choose the ${missing.join(', ')} first.`, { field: 'reference' }) : [done];
    }
    case 'read':
      return missingReadings(step.step, step.key, step.channel, handling.procedure, handling.state).length
        ? refuse('readingsMissing', 'Readings are still missing. Take them, or leave the step out with a reason.')
        : [done];
    default:
      return refuse('notByItself', 'This step is done by doing what it says.');
  }
}

/** One buffer gives an offset, no slope: whatever the meter shows for it is not measured. */
function tooFewPoints(item: CheckItem, value: string, state: RunState): string | null {
  if (!item.needsPoints || value.trim() === 'none') return null;
  const pointsOf = (channel: RunChannel) =>
    new Set(calibrationReadings(state, channel).map((one) => one.target?.inputs.buffer ?? one.point)).size;
  const points = Math.max(0, ...state.channels.map(pointsOf));
  return points >= item.needsPoints
    ? null
    : `${item.label}: ${points === 1 ? 'one point gives' : `${points} points give`} no such figure, it takes ${item.needsPoints}. Write “none”.`;
}

/** A setting that is another one than before stands on record with who agreed. */
function changedSetting(item: CheckItem, answer: Answer, step: PlannedStep, { state, draft }: Handling): EventDraft[] {
  const before = item.sameAs ? state.answers[item.sameAs]?.value : undefined;
  if (before === undefined || Number(before) === Number(answer.value)) return [];
  return [
    draft('settingChanged', { setting: item.label, before, after: answer.value.trim(), agreedBy: answer.note!.trim() }, at(step)),
  ];
}

/** A new sensor's serial is a replaced part of its channel. */
function newSensor(item: CheckItem, serial: string, step: PlannedStep, { state, draft }: Handling): EventDraft[] {
  const channel = item.answer === 'sensorSerial' ? state.channels.find((one) => one.id === step.channel) : undefined;
  if (!channel) return [];
  return [
    draft(
      'partReplaced',
      {
        channel: channel.id,
        part: `sensor of ${channel.label}`,
        newSerial: serial,
        ...(channel.sensorSerial ? { oldSerial: channel.sensorSerial } : {}),
      },
      at(step),
    ),
  ];
}

/** When a wait began: at the bench place for a warm-up, else when the step was entered. */
export function waitBegan(step: PlannedStep, state: RunState): string | null {
  if (step.step.kind !== 'wait') return null;
  const entered = state.steps[step.key]?.enteredAt ?? null;
  return step.step.from === 'placed' ? (state.started?.placedAt ?? entered) : entered;
}

function completeWait(
  step: PlannedStep,
  deviation: string | undefined,
  { state, context, draft }: Handling,
  done: EventDraft,
): EventDraft[] | Refusal {
  if (step.step.kind !== 'wait') return [done];
  const began = waitBegan(step, state);
  const now = context.origin?.occurredAt ?? context.now;
  const elapsed = began ? differenceInMilliseconds(parseISO(now), parseISO(began)) / 1000 : Infinity;
  if (elapsed >= step.step.minSeconds) return [done];
  const left = Math.ceil(step.step.minSeconds - elapsed);
  if (!deviation?.trim())
    return refuse('tooEarly', `${step.step.title}: ${left} s are left. Going on now is a deviation: say why.`, {
      field: 'deviation',
      numbers: { secondsLeft: String(left) },
    });
  return [draft('deviated', { what: `${step.step.title}: ${left} s too early`, reason: deviation.trim() }, at(step)), done];
}

export function handleSkip(command: Extract<Command, { type: 'skipStep' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind === 'stimulus' && !step.step.on && openStimulus(handling.state, step.step.slot))
    return refuse('gasOpen', 'Closing the gas can’t be left out.');
  return [
    handling.draft('deviated', { what: `Left out: ${step.step.title}`, reason: command.reason }, at(step)),
    handling.draft('stepSkipped', { reason: command.reason }, at(step)),
  ];
}
