'use client';
import { THERMOMETER_SLOT } from '@/core/measurand/liquid-temperature';
import { boundReference, type RunState } from '@/core/record/state';
import type { RunView } from '../server/run-view';
import { useLive } from './use-live';

const RULES = { 1: { resolution: '0.01', tolerance: null, expectedChange: null } };

/** What the thermometer of this run shows on its line; undefined where it has none, or another one was chosen. */
export function useThermometer(view: RunView, state: RunState): string | undefined {
  const bound = boundReference(state, THERMOMETER_SLOT);
  const line = view.benchLines.find(
    (one) => one.kind === 'thermometer' && one.state === 'connected' && one.serial === bound?.reference.lot,
  );
  const live = useLive(line?.id ?? null, RULES, null);
  const look = live.looks[1];
  return line && look?.status === 'value' ? look.text : undefined;
}
