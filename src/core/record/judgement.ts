import type { Component } from '../uncertainty/component';
import type { DecisionRule } from '../uncertainty/decide';
import type { Fact } from '../words/say';

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
