import { Dec, decimalPlaces } from '../../quantity/decimal';
import { coverageOf } from '../../uncertainty/coverage';
import { decide } from '../../uncertainty/decide';
import type { CertificateVersion2, ComponentText, JudgedText } from '../version-2';
import type { WordCode } from '../../words/say';
import '@/core/words/en/check';

/** Something about a document that does not hold: where, what, and the figures. */
export interface Finding {
  code: Extract<WordCode, `finding.${string}`>;
  where: string;
  numbers: Record<string, string>;
}

const HALF_PERCENT = 0.005;
const near = (a: number, b: number, share = HALF_PERCENT) => Math.abs(a - b) <= share * Math.max(Math.abs(a), Math.abs(b), 1e-12);

/**
 * Recomputes what a document states, from the document alone: every deviation, standard uncertainty, k, U and verdict, and that every reference named is there and can be traced.
 * Says what does not hold; an empty list is a document that bears itself out. The signature is another matter.
 * Sources: the rules in docs/certificate-format.md; JCGM 100:2008; ILAC-G8:09/2019.
 */
export function checkDocument(content: CertificateVersion2): Finding[] {
  const findings: Finding[] = [];
  const ids = new Map(content.references.map((one) => [one.id, one]));
  for (const line of content.results)
    for (const side of ['found', 'left'] as const) {
      const judged = line[side];
      if (!judged) continue;
      const where = `${line.label}, ${line.point}, ${side}`;
      const say = (code: Finding['code'], numbers: Record<string, string> = {}) => findings.push({ code, where, numbers });
      checkJudged(judged, say);
      if (judged.referenceId === null) continue;
      const reference = ids.get(judged.referenceId);
      if (!reference) say('finding.noReference', { id: judged.referenceId });
      else if (!reference.traceability.trim()) say('finding.untraced', { name: reference.name });
    }
  const worst = (side: 'found' | 'left') => content.results.some((line) => line[side]?.verdict === 'outside');
  for (const [side, stated] of [
    ['found', content.conformity.asFound],
    ['left', content.conformity.asLeft],
  ] as const)
    if (worst(side) && stated === 'within') findings.push({ code: 'finding.overall', where: side, numbers: { stated } });
  return findings;
}

type Say = (code: Finding['code'], numbers?: Record<string, string>) => void;

function checkJudged(judged: JudgedText, say: Say): void {
  const { reading, reference, deviation, limits, expanded, verdict, status } = judged;
  if (deviation !== null && reference !== null && status === 'value') {
    const expected = new Dec(reading).minus(reference);
    if (!expected.eq(deviation) || decimalPlaces(deviation) < decimalPlaces(reference))
      say('finding.deviation', { reading, reference, deviation, expected: expected.toFixed() });
  }
  if (expanded !== null) checkUncertainty(judged, say);
  if (verdict === 'notJudged') return;
  if (status === 'over' || status === 'under') {
    if (verdict !== 'outside') say('finding.verdict', { stated: verdict, expected: 'outside' });
    return;
  }
  if (deviation === null || limits === null || expanded === null) {
    say('finding.incomplete');
    return;
  }
  const decision = decide({
    error: deviation,
    lower: limits.lower,
    upper: limits.upper,
    expanded: Number(expanded),
    rule: judged.rule,
  });
  const expected = decision === 'pass' ? 'within' : decision === 'fail' ? 'outside' : 'cannotTell';
  if (expected !== verdict) say('finding.verdict', { stated: verdict, expected });
}

function checkUncertainty({ budget, standard, k, expanded, coverage, effectiveDof, kReason }: JudgedText, say: Say): void {
  for (const one of budget) {
    const own = standardOf(one);
    if (own !== null && !near(own, Number(one.standard))) say('finding.component', { name: one.name, standard: one.standard });
    if (!near(Number(one.contribution), Math.abs(Number(one.standard) * Number(one.sensitivity))))
      say('finding.contribution', { name: one.name, contribution: one.contribution });
  }
  const sum = Math.sqrt(budget.reduce((total, one) => total + Number(one.contribution) ** 2, 0));
  if (!near(sum, Number(standard))) say('finding.standard', { stated: standard ?? '', expected: sum.toPrecision(4) });
  const covered = coverageOf(
    budget.map((one) => ({
      contribution: Number(one.contribution),
      dof: one.dof === null ? null : Number(one.dof),
      distribution: one.distribution,
    })),
    Number(coverage),
  );
  if (!near(covered.k, Number(k), 0.01)) say('finding.k', { stated: k ?? '', expected: covered.k.toFixed(2) });
  if (Boolean(covered.kReason) !== Boolean(kReason)) say('finding.kReason');
  const dof = covered.effectiveDof === Infinity ? null : covered.effectiveDof;
  if ((dof === null) !== (effectiveDof === null) || (dof !== null && !near(dof, Number(effectiveDof), 0.01)))
    say('finding.dof', { stated: effectiveDof ?? '∞', expected: dof === null ? '∞' : dof.toPrecision(4) });
  // Two significant digits: half a unit of the second is up to 5 %; rounded up for a recorded spread, a whole one.
  const raw = Number(k) * Number(standard);
  if (raw > 0 && Math.abs(Number(expanded) - raw) > 0.1 * raw && !(Number(expanded) >= raw && Number(expanded) <= raw * 1.12))
    say('finding.expanded', { stated: expanded ?? '', expected: raw.toPrecision(2) });
}

const DIVISOR = { rectangular: Math.sqrt(3), triangular: Math.sqrt(6), uShaped: Math.SQRT2 };

/** The standard uncertainty that a component's own figures give. */
function standardOf(one: ComponentText): number | null {
  if (one.half !== undefined && one.distribution in DIVISOR)
    return Number(one.half) / DIVISOR[one.distribution as keyof typeof DIVISOR];
  if (one.expanded !== undefined && one.k !== undefined) return Number(one.expanded) / Number(one.k);
  if (one.s !== undefined && one.n !== undefined) return Number(one.s) / Math.sqrt(Number(one.n));
  return null;
}
