import { Dec, decimalPlaces } from '../quantity/decimal';
import { readingNumber, type Reading } from '../quantity/reading';
import { roundHalfEven } from '../quantity/round-half-even';
import { roundUncertainty } from '../quantity/round-uncertainty';
import type { Component } from '../uncertainty/component';
import { coverageOf } from '../uncertainty/coverage';
import { decide, type DecisionRule } from '../uncertainty/decide';
import { withReserve } from '../uncertainty/reserve';
import { tidy } from '../uncertainty/component';
import { nothingJudged, type Judgement } from '../record/judgement';
import type { Fact } from '../words/say';

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
  return { text: up.toFixed(Math.max(0, 1 - up.exponent())), places: Math.max(0, 1 - up.exponent()) };
}
