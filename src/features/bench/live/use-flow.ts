'use client';
import type { RunView } from '../server/run-view';
import { useLive } from './use-live';

const RULES = { 1: { resolution: '0.01', tolerance: null, expectedChange: null } };
/** Under this it stands beside the tube, not in it. */
const IN_LINE = 0.02;

/** The bench's flow meter, if it is in line and its own check is not overdue: L/min. */
export function useFlow(view: RunView, gasOpen: boolean): number | null {
  const line = view.benchLines.find((one) => one.kind === 'flowMeter' && one.state === 'connected');
  const own = view.shelf.find((one) => one.role === 'flowMeter' && one.lot === line?.serial);
  const overdue = own?.expires !== undefined && own.expires < view.today;
  const live = useLive(line && gasOpen && !overdue && !own?.unusable ? line.id : null, RULES, null);
  const look = live.looks[1];
  const shown = look?.status === 'value' ? Number(look.text) : 0;
  return shown > IN_LINE ? shown : null;
}
