import { differenceInMilliseconds, parseISO } from 'date-fns';
import type { Command } from './command';
import type { EventDraft } from './event';
import type { Handling } from './handling';
import { at, stepInTurn } from './step-in-turn';
import { readPairs } from './plan';
import { refuse, type Refusal } from './refusal';
import { measuredChannels } from './state';

export function handleAdjust(command: Extract<Command, { type: 'adjust' }>, handling: Handling): EventDraft[] | Refusal {
  const { procedure, state, draft } = handling;
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'adjust') return refuse('notNow', 'This step adjusts nothing.');
  // What the instrument does to all channels at once is recorded for all, though one channel's try asked for it.
  const due = [
    ...new Set(readPairs(step.step, step.step.together ? undefined : step.channel, procedure, state).map((pair) => pair.channel)),
  ];
  const done = new Set(
    state.adjustments
      .filter((adjustment) => adjustment.step === step.key && !adjustment.struck)
      .flatMap((adjustment) => adjustment.channels),
  );
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

/** Not saved is not calibrated: a save after the deadline is on record as lost, and the round begins anew where the procedure says so. */
export function handleSave(command: Extract<Command, { type: 'save' }>, handling: Handling): EventDraft[] | Refusal {
  const { state, context, draft } = handling;
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'save') return refuse('notNow', 'This step saves nothing.');
  if (step.step.evidence === 'readBackDate' && !command.readBack && !command.lost)
    return refuse('noReadBack', 'Read the last-calibration date back from the instrument and type it.', { field: 'readBack' });
  const last = state.adjustments.filter((adjustment) => !adjustment.struck).at(-1);
  const now = context.origin?.occurredAt ?? context.now;
  const seconds = last ? differenceInMilliseconds(parseISO(now), parseISO(last.at)) / 1000 : 0;
  const late = command.lost === true || (step.step.deadlineSeconds !== undefined && seconds > step.step.deadlineSeconds);
  return [
    draft(
      'saved',
      {
        evidence: step.step.evidence,
        outcome: late ? 'lost' : 'saved',
        ...(command.readBack ? { readBack: command.readBack } : {}),
      },
      at(step),
    ),
    draft('stepDone', {}, at(step)),
  ];
}

export function handleBump(command: Extract<Command, { type: 'bump' }>, handling: Handling): EventDraft[] | Refusal {
  const { draft, state } = handling;
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'bump') return refuse('notNow', 'This step is no bump test.');
  const { channels: roles } = step.step;
  const unseen = measuredChannels(state).filter((channel) => roles.includes(channel.role) && !command.channels[channel.id]);
  if (unseen.length)
    return refuse('unseen', `Did ${unseen.map((channel) => channel.label).join(', ')} move? Every channel is looked at.`, {
      field: 'channels',
    });
  const looked = measuredChannels(state).filter((channel) => roles.includes(channel.role));
  const reasons = looked.flatMap((channel) => {
    const seen = command.channels[channel.id]!;
    if (!seen.moved) return [`${channel.label} barely moved.`];
    return seen.rightWay ? [] : [`${channel.label} moved the wrong way.`];
  });
  // The instrument's own timed test mutes the alarms, so it can't prove an output.
  const silent = step.step.method === 'timed' ? [] : step.step.outputs.filter((output) => command.outputs[output] !== true);
  reasons.push(...silent.map((output) => `No ${output}.`));
  return [
    draft(
      'bumped',
      {
        method: step.step.method,
        channels: command.channels,
        outputs: command.outputs,
        outcome: reasons.length === 0 ? 'passed' : 'failed',
        ...(reasons.length ? { reasons } : {}),
      },
      at(step),
    ),
    draft('stepDone', {}, at(step)),
  ];
}

export function handleCare(command: Extract<Command, { type: 'care' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'care') return refuse('notNow', 'This step is no care action.');
  return [
    handling.draft(
      'cared',
      { action: step.step.action, resets: step.step.resets, ...(command.note ? { note: command.note } : {}) },
      at(step),
    ),
    handling.draft('stepDone', {}, at(step)),
  ];
}

export function handleDecide(command: Extract<Command, { type: 'decide' }>, handling: Handling): EventDraft[] | Refusal {
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'decide') return refuse('notNow', 'Nothing is to be decided here.');
  const option = step.step.options.find((candidate) => candidate.id === command.option);
  if (!option) return refuse('noOption', 'Choose one of the answers.', { field: 'option' });
  return [
    handling.draft(
      'decided',
      {
        question: step.step.question,
        option: option.id,
        ...(step.channel ? { channel: step.channel } : {}),
        ...(option.consequence ? { consequence: option.consequence } : {}),
        ...(option.again ? { again: option.again } : {}),
        ...(command.note ? { note: command.note } : {}),
      },
      at(step),
    ),
    handling.draft('stepDone', {}, at(step)),
  ];
}
