import type { Command } from '../run/command';
import type { FaultId, Look, Remedy } from './fault';
import type { IncidentChoice } from './incident';

/** What a person does in an exercise, besides what the sheet knows. `at`: ms since it began. */
export type Act = { at: number; place: number } & (
  | { do: 'command'; command: Exclude<Command, { type: 'start' }> }
  | { do: 'press'; key: 'zero' | 'span' | 'save'; slot?: number }
  | { do: 'look'; look: Look }
  | { do: 'mend'; remedy: Remedy }
  | { do: 'diagnose'; fault: FaultId | 'none'; channel?: string }
  | { do: 'heed'; choice: IncidentChoice }
);
/** Longest exercise that is kept, and how many things are done in it at most. */
export const MOST_ACTS = 3000;
export const LONGEST_MS = 4 * 3600 * 1000;
