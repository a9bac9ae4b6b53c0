import { OUTPUTS, type Output } from '../instrument/output';
import { say } from '../words/say';
import type { Command } from './command';
import type { EventDraft, RunChannel } from '../record/event';
import type { BumpChannel } from '../record/evidence';
import type { Handling } from './handling';
import { refused } from '../words/refused';
import type { Refusal } from '../words/refusal';
import { at, stepInTurn } from './step-in-turn';
import { measuredChannels, traitsOf, type RunState } from '../record/state';
import '@/core/words/en/certificate';
import '@/core/words/en/refusals-acts';

/** Outputs that a bump asks about: what the method can prove and this model has. */
export function outputsAsked(step: { method: 'timed' | 'watched' | 'station'; outputs: Output[] }, state: RunState): Output[] {
  // The instrument's own timed test mutes the alarms, so it can't prove an output.
  if (step.method === 'timed') return [];
  const fitted = traitsOf(state).outputs ?? OUTPUTS;
  return step.outputs.filter((output) => fitted.includes(output));
}

/** Gas reaches the sensors, all move the right way, the outputs that are fitted work. What nobody and nothing told is neither passed nor failed, and proves nothing. */
export function handleBump(command: Extract<Command, { type: 'bump' }>, handling: Handling): EventDraft[] | Refusal {
  const { draft, state } = handling;
  const planned = stepInTurn(command.step, handling);
  if ('refused' in planned) return planned;
  const { step } = planned;
  if (step.kind !== 'bump') return refused('noBump');
  const looked = measuredChannels(state).filter((channel) => step.channels.includes(channel.role));
  const unseen = looked.filter((channel) => !command.channels[channel.id]);
  if (unseen.length) return refused('unseen', { channels: unseen.map((one) => one.label).join(', ') }, 'channels');
  const asked = outputsAsked(step, state);
  const untold = asked.filter((output) => command.outputs[output] === undefined);
  // A person is there to say it; a station that can't sense an output says nothing.
  if (step.method === 'watched' && untold.length)
    return refused('untold', { outputs: untold.map((one) => say({ code: `output.${one}` })).join(', ') }, 'outputs');
  const reasons = [
    ...looked.flatMap((channel) => amiss(channel, command.channels[channel.id]!)),
    ...asked
      .filter((output) => command.outputs[output] === false)
      .map((output) => say({ code: 'bump.noOutput', numbers: { output: say({ code: `output.${output}` }) } })),
    ...(command.verdict === 'failed' ? [say({ code: 'bump.stationFailed' })] : []),
  ];
  const told = Object.fromEntries(
    asked.flatMap((one) => (command.outputs[one] === undefined ? [] : [[one, command.outputs[one]]])),
  );
  return [
    draft(
      'bumped',
      {
        method: step.method,
        channels: command.channels,
        outputs: told,
        outcome: reasons.length === 0 ? 'passed' : 'failed',
        ...(reasons.length ? { reasons } : {}),
      },
      at(planned),
    ),
    draft('stepDone', {}, at(planned)),
  ];
}

function amiss(channel: RunChannel, seen: BumpChannel): string[] {
  const numbers = { channel: channel.label };
  if (!seen.moved) return [say({ code: 'bump.barely', numbers })];
  return seen.rightWay === false ? [say({ code: 'bump.wrong', numbers })] : [];
}
