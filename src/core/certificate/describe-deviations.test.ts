import { expect, it } from 'vitest';
import { inLanguage } from '@/procedures/in-language';
import { family04 } from '@/procedures/family-04-four-gas-leak-monitor';
import { describeDeviations } from './describe-deviations';
import type { RunState } from '../record/state';
import type { WordCode } from '../words/say';
import '@/core/words/de';

const mark = { seq: 4, at: '2026-11-29T09:00:00Z', by: 'Tam' };
const [step] = family04.steps;
const state = {
  channels: [],
  deviations: [
    {
      ...mark,
      what: 'as it was said',
      reason: 'kam warm an',
      said: { code: 'deviation.early', numbers: { title: step!.title, seconds: 40 } },
    },
    {
      ...mark,
      what: 'as it was said',
      reason: 'so',
      said: { code: 'deviation.paper', numbers: { day: '2026-11-20', by: 'Tam' } },
      because: { code: 'deviation.paperReason' },
    },
    { ...mark, what: 'Left out: Old', reason: 'an old record' },
    { ...mark, what: 'of a later version', reason: 'so', said: { code: 'deviation.unheardOf' as WordCode } },
  ],
} as unknown as RunState;

it('what the program noted is said in the document’s language, titles of steps too; what was typed or is not known stays as it was written', () => {
  const worded = inLanguage(family04, state, 'de');
  const [early, paper, old, unknown] = describeDeviations(worded.state, 'de');
  expect(early).toMatch(/: 40 s zu früh\. kam warm an$/);
  expect(early).not.toContain(step!.title);
  expect(paper).toMatch(/^Am 2026-11-20 von Tam auf Papier geschrieben und danach eingegeben\. Das Programm/);
  expect([old, unknown]).toEqual(['Left out: Old. an old record', 'of a later version. so']);
  // In English it is what was said then, to the letter: a document drawn again has the same hash.
  expect(describeDeviations(state, 'en')[0]).toBe('as it was said. kam warm an');
});
