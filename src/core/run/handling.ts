import type { Procedure } from '../procedure/procedure';
import type { CommandOrigin } from './command';
import type { Actor, EventData, EventDraft, EventType } from '../record/event';
import type { ReferenceSnapshot } from '../record/reference-snapshot';
import type { RunState } from '../record/state';

/** Everything outside the run that a command may look at. */
export interface HandleContext {
  now: string;
  /** Calendar date in the workshop's zone: expiry is judged by it. */
  today: string;
  /** Calendar date by which something earlier in this run is judged: that of its instant in the workshop's zone, or of the paper it was written on. Where it is left out, its day by UTC. */
  dayOf?: (instant: string) => string;
  actor: Actor;
  references: Record<string, ReferenceSnapshot>;
  allowSamePerson: boolean;
  origin?: CommandOrigin;
}

/** What each handler is given: the procedure, the state, what lies outside, and how an event is drafted. */
export interface Handling {
  procedure: Procedure;
  state: RunState;
  context: HandleContext;
  draft: Drafter;
}
export type Drafter = <T extends EventType>(
  type: T,
  data: EventData[T],
  where?: { step?: string; iteration?: number },
) => EventDraft;
