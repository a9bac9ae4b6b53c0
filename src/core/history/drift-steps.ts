import { millisecondsInDay } from 'date-fns/constants';

/** What was found and left of one channel at one visit, in per cent of the tolerance that it was judged by. */
export interface ChannelVisit {
  /** Calendar date or instant. */
  at: string;
  found: number | null;
  left: number | null;
  /** A sensor was fitted at this visit: what was left belongs to the new one. */
  newSensor?: boolean;
}

/** How far a sensor went between two visits. */
export interface DriftStep {
  days: number;
  /** Change in per cent of the tolerance: what was found less what was left before. */
  change: number;
}

/**
 * How far each sensor of a channel went between its visits, one list a sensor, in the order in which they served; the last one is the sensor that is in it now. A step needs what was left before and what was found after, and half a day or more between them.
 * Quantity: change in per cent of the tolerance over days, to the nearest one. Errors: none; a visit without a figure breaks nothing, it only gives no step.
 *
 * @example
 * driftSteps([{ at: '2026-01-01', found: 0, left: 0 }, { at: '2026-04-01', found: -12, left: 0 }]) // [[{ days: 90, change: -12 }]]
 */
export function driftSteps(visits: readonly ChannelVisit[]): DriftStep[][] {
  const sensors: DriftStep[][] = [[]];
  let before: (ChannelVisit & { ms: number }) | null = null;
  for (const visit of inOrder(visits)) {
    const days = before ? Math.round((visit.ms - before.ms) / millisecondsInDay) : 0;
    if (before && before.left !== null && visit.found !== null && days >= 1)
      sensors.at(-1)!.push({ days, change: visit.found - before.left });
    if (visit.newSensor) sensors.push([]);
    // A visit that read nothing leaves the last known state where it was.
    if (visit.left !== null || visit.newSensor) before = visit;
  }
  return sensors;
}

/** All that a channel went since its sensor was new, adjustments taken out: where it would stand if nobody had adjusted it, at each visit. */
export function driftSummed(visits: readonly ChannelVisit[]): { at: string; summed: number; newSensor: boolean }[] {
  let [summed, left] = [0, null as number | null];
  return inOrder(visits).map((visit) => {
    if (visit.found !== null && left !== null) summed += visit.found - left;
    const now = { at: visit.at, summed, newSensor: visit.newSensor ?? false };
    if (visit.newSensor) summed = 0;
    left = visit.left ?? (visit.newSensor ? null : left);
    return now;
  });
}

/** The oldest first, each with its instant told once: a history is gone through often, and telling instants is what takes longest. */
const inOrder = (visits: readonly ChannelVisit[]) =>
  visits.map((visit) => ({ ...visit, ms: Date.parse(visit.at) })).sort((a, b) => a.ms - b.ms);
