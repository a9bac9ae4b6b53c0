import type { RunState } from '@/core/record/state';
import { dateIn } from '@/platform/clock';

/** The day on which the work of a run ended, in the workshop's zone: when it was finished, or the day of the paper that it was written on. */
export const workedOn = (state: RunState, zone: string, otherwise: Date = new Date()): string =>
  state.paper?.day ?? dateIn(zone, state.finishedAt ? new Date(state.finishedAt) : otherwise);
