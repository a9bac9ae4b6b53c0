import { describe, expect, it } from 'vitest';
import { signatory, wholeRun } from '../../run/four-gas.fixture';
import { certificateContent } from '../content';
import { sourceOf } from '../source.fixture';
import type { CertificateVersion2, JudgedText } from '../version-2';
import { checkDocument } from './check-document';

const issued = () => certificateContent(sourceOf(wholeRun().do({ type: 'approve' }, signatory)));
const found = (change: (content: CertificateVersion2, judged: JudgedText) => void): string[] => {
  const content = structuredClone(issued());
  change(content, content.results.find((line) => line.left?.expanded && line.left.budget.length > 2)!.left!);
  return checkDocument(content).map((one) => one.code);
};

describe('whoever bends a figure of a document is told which one (rules of docs/certificate-format.md)', () => {
  it('an untouched one bears itself out', () => expect(found(() => undefined)).toEqual([]));
  it.each<[string, (content: CertificateVersion2, judged: JudgedText) => void, string]>([
    ['reading', (_c, one) => (one.reading = String(Number(one.reading) + 1)), 'finding.deviation'],
    ['decimals of the deviation', (_c, one) => (one.deviation = String(Math.round(Number(one.deviation)))), 'finding.deviation'],
    ['half-width', (_c, one) => (one.budget.find((part) => part.half)!.half = '9'), 'finding.component'],
    ['U of the reference', (_c, one) => (one.budget.find((part) => part.expanded)!.expanded = '9'), 'finding.component'],
    ['sensitivity', (_c, one) => (one.budget[0]!.sensitivity = '3'), 'finding.contribution'],
    ['standard uncertainty', (_c, one) => (one.standard = String(2 * Number(one.standard))), 'finding.standard'],
    ['k', (_c, one) => (one.k = '1.20'), 'finding.k'],
    ['why k', (_c, one) => (one.kReason = one.kReason ? undefined : 'because') as never, 'finding.kReason'],
    ['degrees of freedom', (_c, one) => (one.effectiveDof = '3'), 'finding.dof'],
    ['U', (_c, one) => (one.expanded = String(Number(one.expanded) / 2)), 'finding.expanded'],
    ['verdict', (_c, one) => (one.verdict = one.verdict === 'within' ? 'outside' : 'within'), 'finding.verdict'],
    ['limits gone', (_c, one) => (one.limits = null), 'finding.incomplete'],
    [
      'over the range, and yet within',
      (_c, one) => Object.assign(one, { status: 'over', deviation: null, expanded: null, verdict: 'within' }),
      'finding.verdict',
    ],
    ['reference', (_c, one) => (one.referenceId = 'nowhere'), 'finding.noReference'],
    ['traceability', (content) => content.references.forEach((one) => (one.traceability = ' ')), 'finding.untraced'],
    [
      'overall verdict',
      (content, one) => {
        one.verdict = 'outside';
        content.conformity.asLeft = 'within';
      },
      'finding.overall',
    ],
  ])('%s', (_what, change, code) => expect(found(change)).toContain(code));
  it('degrees of freedom that were counted are borne out, and others found (JCGM 100:2008, G.4.1: one part of 10 readings less one has 9)', () => {
    const counted = (effectiveDof: string) =>
      found((_c, one) => {
        const [first] = one.budget;
        one.budget = [{ ...first!, dof: '9' }];
        one.effectiveDof = effectiveDof;
      });
    expect(counted('9')).not.toContain('finding.dof');
    expect(counted('12')).toContain('finding.dof');
    expect(found((_c, one) => (one.effectiveDof = null))).not.toContain('finding.dof');
  });
  it('what is not judged needs no figures; an over-range that is outside is right', () => {
    expect(
      found((_c, one) => Object.assign(one, { verdict: 'notJudged', deviation: null, expanded: null, limits: null })),
    ).toEqual([]);
    expect(
      found((content, one) => {
        Object.assign(one, { status: 'over', deviation: null, expanded: null, verdict: 'outside' });
        content.conformity.asLeft = 'outside';
      }),
    ).toEqual([]);
  });
});
