import { Dec } from '../quantity/decimal';
import type { Judged } from '../results/judged';
import type { Component } from '../uncertainty/component';
import { say, type Fact, type Language } from '../words/say';
import { sourceIn } from './source-in';
import type { ComponentText, JudgedText } from './version-2';
import '@/core/words/en/budget';

const DIGITS = 6;
/**
 * A figure of a budget as it is printed: six significant digits, never in powers of ten.
 *
 * @example
 * figureText(0.2886751) // '0.288675'
 */
export const figureText = (value: number): string => new Dec(value).toSignificantDigits(DIGITS).toFixed();

/** A basis whose source is said in the language of the document. */
const basisIn = (basis: Fact, language: Language): Fact =>
  typeof basis.numbers?.source === 'string'
    ? { ...basis, numbers: { ...basis.numbers, source: sourceIn(basis.numbers.source, language) } }
    : basis;

function componentText(one: Component, language: Language): ComponentText {
  const text = (name: 'half' | 'expanded' | 'k' | 's' | 'n') =>
    one[name] === undefined ? {} : { [name]: figureText(one[name]) };
  return {
    name: say({ code: `influence.${one.id}` }, language),
    basis: say(basisIn(one.basis, language), language),
    kind: one.kind,
    distribution: one.distribution,
    ...text('half'),
    ...text('expanded'),
    ...text('k'),
    ...text('s'),
    ...text('n'),
    standard: figureText(one.standard),
    sensitivity: figureText(one.sensitivity),
    dof: one.dof === null ? null : figureText(one.dof),
    contribution: figureText(one.contribution),
  };
}

/** A result as it stands on the document. `referenceId`: how the references of the document call what it was compared with. */
export function judgedText(judged: Judged, referenceId: string | null, language: Language): JudgedText {
  return {
    reading: judged.reading.text,
    status: judged.reading.status,
    at: judged.at,
    reference: judged.reference,
    referenceId: judged.reference === null ? null : referenceId,
    basis: judged.basis,
    inputs: judged.inputs,
    deviation: judged.deviation,
    limits: judged.limits,
    budget: judged.budget.map((one) => componentText(one, language)),
    standard: judged.standard === null ? null : figureText(judged.standard),
    effectiveDof: judged.effectiveDof === null ? null : figureText(judged.effectiveDof),
    k: judged.k === null ? null : judged.k.toFixed(2),
    ...(judged.kReason ? { kReason: say(judged.kReason, language) } : {}),
    coverage: String(judged.coverage),
    expanded: judged.expanded,
    rule: judged.rule,
    verdict: judged.verdict,
    ...(judged.why ? { why: say(judged.why, language) } : {}),
    counts: judged.counts,
  };
}
