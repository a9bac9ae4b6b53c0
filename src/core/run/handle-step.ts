import type { Command } from './command';
import type { EventDraft } from '../record/event';
import type { Handling } from './handling';
import type { PlannedStep } from './plan-node';
import { missingReadings } from './read-pairs';
import { at, stepInTurn } from './step-in-turn';
import { recordConditions } from './handle-condition';
import { isRefusal, refuse, type Refusal } from '../words/refusal';
import { deviated } from './deviated';
import '@/core/words/en/deviations';
import { handleCheck } from './handle-check';
import { notBack } from './display-back';
import { refused } from '../words/refused';
import { endsByDisplay, waitSeconds } from './wait-seconds';
import { waitBegan } from './wait-began';
import { openStimulus } from '../record/state';

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
      return completeWait(step, command, handling, done);
    case 'check':
      return handleCheck(step.step.items, step, command, handling, done);
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

function completeWait(
  step: PlannedStep,
  { deviation, shown }: Extract<Command, { type: 'completeStep' }>,
  { state, context, draft }: Handling,
  done: EventDraft,
): EventDraft[] | Refusal {
  if (step.step.kind !== 'wait') return [done];
  const began = waitBegan(step, state);
  const now = context.origin?.occurredAt ?? context.now;
  const elapsed = began ? (Date.parse(now) - Date.parse(began)) / 1000 : Infinity;
  const asked = waitSeconds(step.step, state);
  // It was waited for at the bench, not at the keys.
  if (elapsed >= asked || state.paper) return [done];
  const left = Math.ceil(asked - elapsed);
  if (shown && endsByDisplay(step.step, state)) {
    const still = notBack(state, shown);
    if (still.length === 0) return [draft('stepDone', { shown }, at(step))];
    if (!deviation?.trim()) return refused('notBack', { channels: still.map((one) => one.label).join(', '), left }, 'deviation');
  }
  if (!deviation?.trim())
    return refuse('tooEarly', `${step.step.title}: ${left} s are left. Going on now is a deviation: say why.`, {
      field: 'deviation',
      numbers: { secondsLeft: String(left) },
    });
  const early = { code: 'deviation.early', numbers: { title: step.step.title, seconds: left } } as const;
  return [deviated({ draft }, early, deviation.trim(), at(step)), done];
}

export function handleSkip(command: Extract<Command, { type: 'skipStep' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind === 'stimulus' && !step.step.on && openStimulus(handling.state, step.step.slot))
    return refuse('gasOpen', 'Closing the gas can’t be left out.');
  // What a bad answer leads to is decided, never left out.
  if (step.step.kind === 'decide' && step.step.options.some((one) => one.consequence)) return refused('decideFirst');
  return [
    deviated(handling, { code: 'deviation.leftOut', numbers: { title: step.step.title } }, command.reason, at(step)),
    handling.draft('stepSkipped', { reason: command.reason }, at(step)),
  ];
}
