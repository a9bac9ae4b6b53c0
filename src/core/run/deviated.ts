import type { EventDraft } from '../record/event';
import { say, type Fact } from '../words/say';
import type { Handling } from './handling';
import '@/core/words/en/deviations';

/**
 * A deviation from the method that the program notes by itself: as the sentence that was true then, and as the fact it says, so that a document says it in its own language.
 * Why is what somebody typed, or a fact as well.
 */
export function deviated(
  { draft }: Pick<Handling, 'draft'>,
  what: Fact,
  why: string | Fact,
  mark?: Parameters<Handling['draft']>[2],
): EventDraft {
  const typed = typeof why === 'string';
  return draft(
    'deviated',
    { what: say(what), reason: typed ? why : say(why), said: what, ...(typed ? {} : { because: why }) },
    mark,
  );
}
