import { addDays, addMonths, differenceInCalendarDays, format, parseISO } from 'date-fns';
import type { Every } from '../interval/next-due';
import { reliabilityAdvice } from '../interval/reliability';
import { staircaseAdvice } from '../interval/staircase';
import { requireAbove, requireRange } from '../range-error';
import { forecastError, type DriftOutlook } from './forecast-error';

/** Days of a month on the mean. */
export const MONTH = 30.4375;
/** A share so far below the target is none that does. */
const NEAR = 0.05;
/** Fewer visits of a kind say nothing of its share. */
export const LEAST_VISITS = 20;

export interface ChannelOutlook {
  label: string;
  /** Null where its steps say too little. */
  outlook: DriftOutlook | null;
  /** In per cent of the tolerance, as it was left last. */
  left: number | null;
  /** Mean rate of its kind, and how it differs from sensor to sensor; null where the kind says nothing. */
  kind: { rate: number; spread: number } | null;
}

/** Advice on one instrument's interval: what, by which way, why in figures. Nobody's interval changes by it. */
export interface IntervalAdvice {
  way: 'drift' | 'reliability' | 'staircase' | 'none';
  code: 'extend' | 'keep' | 'shorten' | 'tooFast' | 'tooFew';
  every: Every | null;
  /** The channel that decides, with what it loses or gains a month and how often it would be found outside at the present interval. */
  worst: { label: string; perMonth: number; outside: number } | null;
  /** A sensor that goes much faster than its kind: until when it would do, at the advised interval. */
  newSensorBy: string | null;
  /** Shares within as found, forecast: at the present interval and at the advised one. Null where the way forecasts none. */
  within: { present: number; advised: number } | null;
  /** What is advised is as far as one goes at a time: more of the same is to be expected at the next visit. */
  limited: boolean;
  numbers: Record<string, number>;
}

interface Asked {
  channels: readonly ChannelOutlook[];
  /** Day of the last visit. */
  from: string;
  present: Every;
  /** Share that is to be found within. */
  target: number;
  shortest: Every;
  longest: Every;
  /** As-found visits of instruments of this model: how many were within, of how many. */
  ofModel: { within: number; visits: number } | null;
  /** Largest as-found error of the last visit over its tolerance; null where nothing was found. */
  lastShare: number | null;
}

/**
 * Advises an interval by whichever of three ways the data support (ILAC-G24/OIML D 10:2022): drift, the interval at which all channels together are forecast within as often as is asked; else the reliability of the model; else a
 * staircase from the last visit; else nothing, with why. At most twice and at least half of the present one at a time, within the limits that are set.
 * Arguments: target in (0, 1); shortest not longer than longest. Errors: RangeError.
 *
 * @example
 * adviseInterval({ channels, from: '2026-11-20', present: { months: 8 }, target: 0.9, … }).every // { months: 6 }
 */
export function adviseInterval(asked: Asked): IntervalAdvice {
  const { channels, present, target, from } = asked;
  requireAbove('target', target, 0, 0.9999);
  const now = daysOf(present, from);
  requireRange('shortest', daysOf(asked.shortest, from), 1, daysOf(asked.longest, from));
  const known = channels.flatMap(({ outlook, left, ...one }) => (outlook && left !== null ? [{ ...one, outlook, left }] : []));
  // A channel that says nothing could be the one that decides: then drift decides nothing.
  if (known.length > 0 && known.length === channels.length) return byDrift(asked, known, now);
  if (asked.ofModel && asked.ofModel.visits >= LEAST_VISITS) return byReliability(asked, now);
  if (asked.lastShare !== null) {
    const { code, days } = staircaseAdvice({ errorShare: asked.lastShare, days: now, within: 0.8 });
    const every = fitting(asked, days ?? now);
    return { ...NOTHING, way: 'staircase', code: sameOr(code, every, now, from), every, numbers: { share: asked.lastShare } };
  }
  return NOTHING;
}

const NOTHING: IntervalAdvice = {
  way: 'none',
  code: 'tooFew',
  every: null,
  worst: null,
  newSensorBy: null,
  within: null,
  limited: false,
  numbers: {},
};

type Known = Omit<ChannelOutlook, 'outlook' | 'left'> & { outlook: DriftOutlook; left: number };

function byDrift(asked: Asked, known: readonly Known[], now: number): IntervalAdvice {
  const { from, target } = asked;
  const outside = (one: Known, days: number) => forecastError({ outlook: one.outlook, left: one.left, days }).outside;
  const within = (days: number) => known.reduce((share, one) => share * (1 - outside(one, days)), 1);
  const steps = ladder(asked, now);
  // Whole months are coarse: the one whose share is nearest to the target, a little above or below, so that a fleet as a whole is found within as often as is asked.
  const shares = steps.map((one) => within(one.days));
  const off = shares.map((share) => Math.abs(share - target));
  const near = off.indexOf(Math.min(...off));
  const { every, days } = steps[near]!;
  const ranked = known
    .map((one) => ({ label: one.label, perMonth: one.outlook.rate * MONTH, outside: outside(one, now), one }))
    .sort((a, b) => b.outside - a.outside || Math.abs(b.perMonth) - Math.abs(a.perMonth));
  const [worst] = ranked;
  const fast = worst && isFast(worst.one);
  const code =
    within(daysOf(asked.shortest, from)) < target - NEAR
      ? 'tooFast'
      : days > now + 1
        ? 'extend'
        : days < now - 1
          ? 'shorten'
          : 'keep';
  return {
    way: 'drift',
    code,
    every,
    worst: worst ? { label: worst.label, perMonth: worst.perMonth, outside: worst.outside } : null,
    newSensorBy: fast && (code === 'shorten' || code === 'tooFast') ? format(addDays(parseISO(from), days), 'yyyy-MM-dd') : null,
    within: { present: within(now), advised: within(days) },
    limited: Math.abs(shares[near]! - target) > NEAR && (near === 0 || near === steps.length - 1),
    numbers: { target },
  };
}

/** Faster than nearly all of its kind, by more than its own uncertainty. */
const isFast = ({ outlook, kind }: Known): boolean =>
  kind !== null && Math.abs(outlook.rate) - 2 * outlook.sRate > Math.abs(kind.rate) + kind.spread;

function byReliability(asked: Asked, now: number): IntervalAdvice {
  const { within, visits } = asked.ofModel!;
  const { code, days, numbers } = reliabilityAdvice({ inTolerance: within, visits, days: now, target: asked.target });
  const every = fitting(asked, days ?? now);
  return {
    ...NOTHING,
    way: 'reliability',
    code: sameOr(code, every, now, asked.from),
    every,
    numbers: { ...numbers, visits, inTolerance: within },
  };
}

/** What is advised may be what there is already: rounded, or at a limit. */
function sameOr(code: string, every: Every, now: number, from: string): IntervalAdvice['code'] {
  const days = daysOf(every, from);
  if (code === 'extend' && days > now) return 'extend';
  return code === 'shorten' && days < now ? 'shorten' : 'keep';
}

/** Intervals that people agree on: weeks up to six of them, then whole months. */
const STEPS: readonly Every[] = [
  ...[7, 14, 21].map((days) => ({ days })),
  ...Array.from({ length: 24 }, (_one, index) => ({ months: index + 1 })),
  ...[30, 36, 48, 60].map((months) => ({ months })),
];

interface Step {
  every: Every;
  days: number;
}

/** Steps between half and twice the present interval, within what is set; the present one is among them. */
function ladder({ present, shortest, longest, from }: Asked, now: number): Step[] {
  const low = Math.max(daysOf(shortest, from), Math.ceil(now / 2) - 3);
  const high = Math.min(daysOf(longest, from), now * 2 + 3);
  const steps = STEPS.map((every) => ({ every, days: daysOf(every, from) })).filter(({ days }) => days >= low && days <= high);
  const known = steps.some(({ days }) => Math.abs(days - now) <= 1);
  return [...steps, ...(known ? [] : [{ every: present, days: now }])].sort((a, b) => a.days - b.days);
}

/** The longest step that is not longer than so many days. */
function fitting(asked: Asked, days: number): Every {
  const steps = ladder(asked, daysOf(asked.present, asked.from));
  return (steps.findLast((one) => one.days <= days + 1) ?? steps[0]!).every;
}

/** Days of an interval that begins on a day. */
export function daysOf(every: Every, from: string): number {
  if ('days' in every) return every.days;
  const start = parseISO(from);
  return differenceInCalendarDays(addMonths(start, every.months), start);
}
