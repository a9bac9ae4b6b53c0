import type { LiveLook } from '@/core/live/live-channel';
import type { PlannedStep } from '@/core/run/plan-node';
import type { RunView } from './server/run-view';
import { slotOf } from './live/live-rules';
import type { LiveRun } from './use-run';
import type { LiveLine } from './live/use-live';

/** What every part of the run sheet is given. */
export interface Sheet {
  run: LiveRun;
  view: RunView;
  live: LiveLine;
  hand: { mine: boolean; who: string; take: () => void };
  present: PlannedStep | undefined;
  /** The line is there and says something: keys of the sheet can take readings off it. */
  onLine: boolean;
  capture: () => void;
  /** What the bench's flow meter shows while gas flows, L/min; null without one in line. */
  flow: number | null;
  /** What the thermometer in the liquid shows on its line. */
  thermometer: string | undefined;
}

export function lookOf({ view, live }: Pick<Sheet, 'view' | 'live'>, channel: string): LiveLook | undefined {
  const slot = slotOf(view.match, channel);
  return slot === null ? undefined : live.looks[slot];
}
