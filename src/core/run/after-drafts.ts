import type { Actor, EventDraft, RunEvent } from '../record/event';
import { copyState, type RunState } from '../record/state';
import type { HandleContext } from './handling';
import { apply } from './reduce';

/** Numbers drafts and puts them into envelopes: what the store does, and what tests do without one. */
export function toEvents(
  drafts: EventDraft[],
  {
    run,
    after,
    command,
    recordedAt,
    actor,
    version,
  }: { run: string; after: number; command: string; recordedAt: string; actor: Actor; version: number },
): RunEvent[] {
  return drafts.map((draft, index) => ({ ...draft, run, seq: after + 1 + index, version, command, recordedAt, actor }));
}

/** The state as it would be with these drafts; the one given stays as it is. */
export function afterDrafts(
  state: RunState,
  drafts: EventDraft[],
  { now, actor }: Pick<HandleContext, 'now' | 'actor'>,
): RunState {
  const after = copyState(state);
  const envelope = { run: state.run, after: state.seq, command: '', recordedAt: now, actor, version: 1 };
  toEvents(drafts, envelope).forEach((event) => apply(after, event));
  return after;
}
