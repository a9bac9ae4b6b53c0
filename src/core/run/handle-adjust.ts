import type { Command } from './command';
import type { EventDraft } from '../record/event';
import type { Handling } from './handling';
import { at, stepInTurn } from './step-in-turn';
import { readPairs } from './read-pairs';
import { refuse, type Refusal } from '../words/refusal';
import { refused } from '../words/refused';
import { openStimulus, type RunState } from '../record/state';
import type { AdjustAction, Procedure } from '../procedure/procedure';
import '@/core/words/en/refusals-acts';

const ZEROES: AdjustAction[] = ['quick', 'zero', 'fineZero'];

/** Gas of a bottle is open at this instrument: whatever it shows is no zero. Zero air from a bottle is none. */
function gasOpen(procedure: Procedure, state: RunState): boolean {
  const span = openStimulus(state);
  const slot = procedure.slots.find((one) => one.id === span?.slot);
  return slot?.kind === 'gas' && slot.needs === 'channelGases';
}

export function handleAdjust(command: Extract<Command, { type: 'adjust' }>, handling: Handling): EventDraft[] | Refusal {
  const { procedure, state, draft } = handling;
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'adjust') return refuse('notNow', 'This step adjusts nothing.');
  if (state.started?.service === 'asFoundOnly') return refused('asFoundOnly');
  if (ZEROES.includes(step.step.action) && gasOpen(procedure, state)) return refused('zeroInGas');
  // What the instrument does to all channels at once is recorded for all, though one channel's try asked for it.
  const due = [
    ...new Set(readPairs(step.step, step.step.together ? undefined : step.channel, procedure, state).map((pair) => pair.channel)),
  ];
  const done = new Set(
    state.adjustments
      .filter((adjustment) => adjustment.step === step.key && !adjustment.struck)
      .flatMap((adjustment) => adjustment.channels),
  );
  if (command.channels.length === 0) return refused('noChannels');
  const strangers = command.channels.filter((channel) => !due.includes(channel));
  if (strangers.length) return refuse('noChannel', 'This step does not adjust that channel.');
  if (command.channels.some((channel) => done.has(channel)))
    return refuse('alreadyAdjusted', 'This channel is on record for this step. Strike it out first if it was wrong.');
  const adjusted = draft(
    'adjusted',
    { channels: command.channels, action: step.step.action, outcome: command.outcome, readBack: command.readBack ?? {} },
    at(step),
  );
  const left = due.filter((channel) => !done.has(channel) && !command.channels.includes(channel));
  return left.length ? [adjusted] : [adjusted, draft('stepDone', {}, at(step))];
}

export function handleDecide(command: Extract<Command, { type: 'decide' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'decide') return refuse('notNow', 'Nothing is to be decided here.');
  const option = step.step.options.find((candidate) => candidate.id === command.option);
  if (!option) return refused('noOption', {}, 'option');
  const note = command.note?.trim();
  if (option.needsNote && !note) return refused('decideWhy', { option: option.label }, 'note');
  return [
    handling.draft(
      'decided',
      {
        question: step.step.question,
        option: option.id,
        ...(step.channel ? { channel: step.channel } : {}),
        ...(option.consequence ? { consequence: option.consequence } : {}),
        ...(option.again ? { again: option.again } : {}),
        ...(note ? { note } : {}),
      },
      at(step),
    ),
    ...(option.resets ? [handling.draft('cared', { action: note!, resets: option.resets }, at(step))] : []),
    handling.draft('stepDone', {}, at(step)),
  ];
}
