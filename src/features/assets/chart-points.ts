import type { Found } from '@/features/advice';

/** A column a channel beside the instants of the visits: a page with two hundred visits sends two lists, not two hundred things. */
export interface ErrorCurves {
  at: number[];
  /** By label of the channel, per cent of the tolerance; null where it was not read. */
  errors: Record<string, (number | null)[]>;
}

/** Visits that are drawn: of an old instrument the newest. */
const MOST = 1000;

/** As-found errors in per cent of the tolerance then in force, to a tenth: nobody reads a curve closer. */
export function chartPoints(found: readonly Found[]): ErrorCurves {
  const read = found
    .map(({ label, visits }) => ({
      label,
      byTime: new Map(visits.flatMap((one) => (one.found === null ? [] : [[Date.parse(one.at), one.found] as const]))),
    }))
    .filter(({ byTime }) => byTime.size > 0);
  const at = [...new Set(read.flatMap(({ byTime }) => [...byTime.keys()]))].sort((a, b) => a - b).slice(-MOST);
  const tenth = (value: number | undefined) => (value === undefined ? null : Math.round(value * 10) / 10);
  return {
    at,
    errors: Object.fromEntries(read.map(({ label, byTime }) => [label, at.map((one) => tenth(byTime.get(one)))])),
  };
}
