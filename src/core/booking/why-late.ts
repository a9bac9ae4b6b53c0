/** Where the time of something late went. Closed. */
export const LATE_CAUSES = ['tray', 'word', 'bench', 'approval', 'promise'] as const;
export type LateCause = (typeof LATE_CAUSES)[number];

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

export interface LateStory {
  /** ISO instants; null for what has not come yet. */
  received: string;
  begun: string | null;
  finished: string | null;
  approved: string | null;
  now: string;
  /** Hours for which somebody waited for the customer's word. */
  wordHours: number;
  /** Whole days from receipt to the promise. */
  promisedDays: number;
  /** Hours that such an instrument usually takes from receipt to approval; null where nobody knows. */
  usualHours: number | null;
}

export interface WhyLate {
  cause: LateCause;
  /** Days of each part, to a tenth. */
  days: Record<Exclude<LateCause, 'promise'>, number>;
}

/**
 * Why something became late: the part of its way that took longest (in the tray, for the customer's word, at the bench, before the signatory); or the promise itself, where it was shorter than such an instrument usually takes and no part took longer than usual for all.
 * Errors: none.
 *
 * @example
 * whyLate({ received: '2026-11-02T08:00:00Z', begun: '2026-11-12T08:00:00Z', finished: '2026-11-12T10:00:00Z', approved: null, now: '2026-11-13T08:00:00Z', wordHours: 0, promisedDays: 5, usualHours: null }).cause // 'tray'
 */
export function whyLate({ received, begun, finished, approved, now, wordHours, promisedDays, usualHours }: LateStory): WhyLate {
  const at = (text: string | null) => Date.parse(text ?? now);
  const span = (from: string | null, to: string | null) => (from === null ? 0 : Math.max(0, at(to) - at(from)) / DAY);
  const word = wordHours / 24;
  const days = {
    tray: Math.max(0, span(received, begun) - word),
    word,
    bench: span(begun, finished),
    approval: span(finished, approved),
  };
  const tenth = (value: number) => Math.round(value * 10) / 10;
  const whole = days.tray + days.word + days.bench + days.approval;
  const promised = usualHours !== null && promisedDays * 24 < usualHours && whole * 24 <= usualHours * 1.2;
  const longest = (Object.keys(days) as (keyof typeof days)[]).reduce((most, one) => (days[one] > days[most] ? one : most));
  return {
    cause: promised ? 'promise' : longest,
    days: { tray: tenth(days.tray), word: tenth(days.word), bench: tenth(days.bench), approval: tenth(days.approval) },
  };
}
