import { Dec, decimalPlaces } from '../quantity/decimal';
import { readingNumber, type Reading } from '../quantity/reading';
import { roundHalfEven } from '../quantity/round-half-even';
import { roundUncertainty } from '../quantity/round-uncertainty';
import type { Component } from '../uncertainty/component';
import { coverageOf } from '../uncertainty/coverage';
import { decide, type DecisionRule } from '../uncertainty/decide';
import { withReserve } from '../uncertainty/reserve';
import { tidy } from '../uncertainty/component';
import type { Fact } from '../words/say';
import type { Tolerance } from './event';

export type VerdictState = 'within' | 'outside' | 'cannotTell' | 'notMeasured';

/**
 * A verdict with everything it rests on, as it is printed: reading − reference = error to the digit, U with two significant digits, the verdict by these very figures.
 * All figures are decimal texts or numbers; the sentence is made of them where it is read.
 */
export interface Judgement {
  code:
    | 'within'
    | 'outside'
    | 'guardBand'
    | 'caution'
    | 'over'
    | 'under'
    | 'fault'
    | 'implausible'
    | 'gate'
    | 'moved'
    | 'notMoved'
    | 'watched';
  state: VerdictState;
  /** Reference with the decimals of U or of the display, whichever are finer. */
  reference: string | null;
  error: string | null;
  lower: string | null;
  upper: string | null;
  budget: Component[];
  standard: number | null;
  /** Null: no end to them, or nothing was judged. */
  effectiveDof: number | null;
  k: number | null;
  kReason?: Fact;
  coverage: number;
  expanded: string | null;
  rule: DecisionRule;
  /** The workshop states a scope, and this value is not in it. */
  outsideScope?: true;
  /** Why it is not judged, or what is to be watched. */
  why?: Fact;
}

/**
 * Half-width of the tolerance at a target: the greater of the absolute and the relative part, or the zero's own.
 * Source: common practice ("± 2 ppm or ± 10 %, whichever is greater").
 *
 * @example
 * toleranceAt({ tolerance: { absolute: '2', percentOfTarget: '10' }, target: '25', zero: false }) // '2.5'
 */
export function toleranceAt({ tolerance, target, zero }: { tolerance: Tolerance; target: string; zero: boolean }): string {
  if (zero && tolerance.zero !== undefined) return tolerance.zero;
  const absolute = new Dec(tolerance.absolute ?? 0);
  const relative = new Dec(target)
    .abs()
    .times(tolerance.percentOfTarget ?? 0)
    .div(100);
  return Dec.max(absolute, relative).toFixed();
}

/**
 * Judges one displayed reading against its target by its whole budget.
 * Units: all in the target's unit. `spread` is the recorded spread of the window: U is never under half of it. Errors: RangeError for texts that are no decimals.
 * Sources: JCGM 100:2008, 5.1.2, 7.2.6 and G.4; EA-4/02 M:2022 (k where a rectangle weighs); ILAC-G8:09/2019 (rule).
 */
export function judgeReading({
  reading,
  target,
  limitAt,
  resolution,
  budget,
  rule,
  coverage,
  spread = '0',
  claimed,
}: {
  reading: Reading;
  target: string;
  /** Half-width of the tolerance at the reference as printed. */
  limitAt: (reference: string) => string;
  resolution: string;
  budget: Component[];
  rule: DecisionRule;
  coverage: number;
  spread?: string;
  /** The smallest U that the workshop claims at this value; U is never under it. */
  claimed?: { least: number; basis: Fact };
}): Judgement {
  const felt = budget.filter((one) => one.contribution > 0);
  const weighing = claimed ? withReserve({ budget: felt, coverage, ...claimed }) : felt;
  const covered = coverageOf(weighing, coverage);
  const shownPlaces = Math.max(decimalPlaces(resolution), reading.status === 'value' ? decimalPlaces(reading.text) : 0);
  const expanded = statedUncertainty(covered.expanded, spread, shownPlaces);
  const places = Math.max(shownPlaces, expanded.places);
  const reference = roundHalfEven({ value: target, places });
  const limit = limitAt(reference);
  const limits = { lower: new Dec(limit).neg().toFixed(), upper: new Dec(limit).toFixed() };
  const figures = {
    reference,
    ...limits,
    budget: weighing,
    standard: tidy(covered.standard),
    effectiveDof: covered.effectiveDof === Infinity ? null : tidy(covered.effectiveDof),
    k: Number(covered.k.toFixed(2)),
    ...(covered.kReason ? { kReason: covered.kReason } : {}),
    coverage,
    expanded: expanded.text,
    rule,
  };
  const number = readingNumber(reading);
  if (number === null) {
    const code = reading.status === 'over' || reading.status === 'under' ? reading.status : 'fault';
    return {
      ...nothingJudged({ code, rule, coverage }),
      ...limits,
      reference,
      state: code === 'fault' ? 'notMeasured' : 'outside',
    };
  }
  const error = number.minus(reference).toFixed(places);
  const decision = decide({ error, ...limits, expanded: Number(expanded.text), rule });
  return {
    ...figures,
    error: /^-0(\.0*)?$/.test(error) ? error.slice(1) : error,
    code: CODES[decision],
    state: STATES[decision],
  };
}

const CODES = { pass: 'within', fail: 'outside', undecided: 'guardBand' } as const;
const STATES = { pass: 'within', fail: 'outside', undecided: 'cannotTell' } as const;

/** Two significant digits, never under half the recorded spread: there it is rounded up (JCGM 100:2008, 7.2.6). */
function statedUncertainty(expanded: number, spread: string, places: number): { text: string; places: number } {
  if (expanded <= 0) return { text: new Dec(0).toFixed(places), places };
  const rounded = roundUncertainty({ expanded });
  const least = new Dec(spread).div(2);
  if (least.lte(rounded.text)) return rounded;
  const up = new Dec(Math.max(expanded, least.toNumber())).toSignificantDigits(2, Dec.ROUND_UP);
  return { text: up.toFixed(Math.max(0, 1 - up.e)), places: Math.max(0, 1 - up.e) };
}

/** A judgement without figures, of something that was only looked at or not believed. */
export function nothingJudged({
  code,
  rule,
  coverage,
  state = 'notMeasured',
  why,
}: Pick<Judgement, 'code' | 'rule' | 'coverage'> & { state?: VerdictState; why?: Fact }): Judgement {
  return {
    code,
    state,
    reference: null,
    error: null,
    lower: null,
    upper: null,
    budget: [],
    standard: null,
    effectiveDof: null,
    k: null,
    coverage,
    expanded: null,
    rule,
    ...(why ? { why } : {}),
  };
}
