import { differenceInMilliseconds, parseISO } from 'date-fns';
import { datesIn } from '../quantity/read-date';
import type { Command } from './command';
import type { EventDraft } from '../record/event';
import type { Handling } from './handling';
import { refused } from '../words/refused';
import type { Refusal } from '../words/refusal';
import { at, stepInTurn } from './step-in-turn';
import '@/core/words/en/refusals-acts';

/** Not saved is not calibrated: a save after the deadline is on record as lost, and the round begins anew where the procedure says so. A date that is read back has to be today's. */
export function handleSave(command: Extract<Command, { type: 'save' }>, handling: Handling): EventDraft[] | Refusal {
  const { state, context, draft } = handling;
  const step = stepInTurn(command.step, handling);
  if ('refused' in step) return step;
  if (step.step.kind !== 'save') return refused('noSave');
  const readBack = command.readBack?.trim();
  if (step.step.evidence === 'readBackDate' && !command.lost) {
    if (!readBack) return refused('noReadBack', {}, 'readBack');
    const dates = datesIn(readBack);
    if (dates.length === 0) return refused('noDate', { readBack }, 'readBack');
    if (!dates.includes(context.today)) return refused('notToday', { readBack, today: context.today }, 'readBack');
  }
  const last = state.adjustments.filter((adjustment) => !adjustment.struck).at(-1);
  const now = context.origin?.occurredAt ?? context.now;
  const seconds = last ? differenceInMilliseconds(parseISO(now), parseISO(last.at)) / 1000 : 0;
  const late = command.lost === true || (step.step.deadlineSeconds !== undefined && seconds > step.step.deadlineSeconds);
  return [
    draft(
      'saved',
      { evidence: step.step.evidence, outcome: late ? 'lost' : 'saved', ...(readBack ? { readBack } : {}) },
      at(step),
    ),
    draft('stepDone', {}, at(step)),
  ];
}
