import type { EventDraft } from '../record/event';
import { isRefusal, type Refusal } from '../words/refusal';
import { afterDrafts } from './after-drafts';
import type { Command, ReadingTaken } from './command';
import { handleReading } from './handle-reading';
import type { Handling } from './handling';

/** Several channels taken by one press, in their order: each is guarded as if it came alone, after those before it. One that is refused refuses all. */
export function handleReadings(
  { step, readings }: Extract<Command, { type: 'captureReadings' }>,
  handling: Handling,
): EventDraft[] | Refusal {
  const all: EventDraft[] = [];
  for (const reading of readings) {
    const state = all.length ? afterDrafts(handling.state, all, handling.context) : handling.state;
    const drafts = handleReading({ type: 'captureReading', step, ...reading }, { ...handling, state });
    if (isRefusal(drafts)) return drafts;
    all.push(...drafts);
  }
  return all;
}

/** The readings that a command brings, one or several. */
export const readingsOf = (command: Command): ReadingTaken[] =>
  command.type === 'captureReading' ? [command] : command.type === 'captureReadings' ? command.readings : [];
