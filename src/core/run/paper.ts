import { differenceInCalendarDays, isValid, parseISO } from 'date-fns';
import { flatSteps } from '../procedure/flat-steps';
import type { Procedure } from '../procedure/procedure';
import type { Command } from './command';
import type { EventDraft } from '../record/event';
import type { Handling } from './handling';
import type { Refusal } from '../words/refusal';
import { refused } from '../words/refused';
import { deviated } from './deviated';
import '@/core/words/en/deviations';
import '@/core/words/en/refusals-acts';

/** Gas at a reading where the procedure states no time, s (common practice: about two minutes). */
const USUAL_SECONDS = 120;
/** Paper that is older is no longer entered as today's work. */
const OLDEST_DAYS = 60;

/**
 * The work was written on paper, without the house; what is entered from now on is taken from there. Waiting times and times of exposure are those of the paper, dates are judged by its day.
 * It stands on the document as a deviation, before the signatory with its photos, and in the record by the photos' SHA-256.
 */
export function handlePaper(
  { day, by, photos }: Extract<Command, { type: 'takePaper' }>,
  { state, context, draft }: Handling,
): EventDraft[] | Refusal {
  const date = parseISO(day);
  const age = differenceInCalendarDays(parseISO(context.today), date);
  if (!isValid(date) || age < 0 || age > OLDEST_DAYS) return refused('paperDay', { days: OLDEST_DAYS }, 'day');
  if (state.paper && state.paper.day !== day) return refused('paperOtherDay', { day: state.paper.day }, 'day');
  if (state.readings.some((one) => one.capture)) return refused('paperLive', {}, 'day');
  const taken = draft('paperTaken', { day, by: by.trim(), photos });
  if (state.paper) return [taken];
  return [
    taken,
    deviated({ draft }, { code: 'deviation.paper', numbers: { day, by: by.trim() } }, { code: 'deviation.paperReason' }),
  ];
}

/** How long gas acts at least at one opening of the procedure, s: the longest time that one of its readings asks for, else the usual two minutes. */
export function secondsOnPaper(procedure: Procedure): number {
  const asked = flatSteps(procedure.steps).flatMap(({ step }) =>
    step.kind === 'read' && step.exposureSeconds ? [step.exposureSeconds] : [],
  );
  return asked.length ? Math.max(...asked) : USUAL_SECONDS;
}
