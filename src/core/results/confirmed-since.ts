import { sourceFact, type StandingValue } from '../uncertainty/standing';
import type { Component } from '../uncertainty/component';
import { say } from '../words/say';
import '@/core/words/en/budget';
import type { Judged, ResultLine } from './judged';
import '@/core/words/en/refusals-acts';

/**
 * Results whose budgets name the source that a remembered value was given after the reading was taken, with the same figure: no figure changes, only where it comes from.
 * Errors: none.
 *
 * @example
 * confirmedSince(lines, []) // the same lines
 */
export function confirmedSince(lines: ResultLine[], confirmed: readonly StandingValue[]): ResultLine[] {
  if (confirmed.length === 0) return lines;
  const named = (one: Component): Component => {
    const asked = one.unconfirmed;
    const own = asked && confirmed.find((each) => isSame(each, asked));
    return own
      ? { ...one, basis: { ...one.basis, numbers: { ...one.basis.numbers, source: say(sourceFact(own.source)) } } }
      : one;
  };
  const side = (judged: Judged | null) => judged && { ...judged, budget: judged.budget.map(named) };
  return lines.map((line) => ({ ...line, found: side(line.found), left: side(line.left) }));
}

/** Whether a standing value is the one that stood there unconfirmed: the same figure for the same quantity, with a source by now. */
export const isSame = (own: StandingValue, asked: NonNullable<Component['unconfirmed']>): boolean =>
  own.source.kind !== 'memory' && own.id === asked.standing && own.measurand === asked.measurand && own.value === asked.value;
