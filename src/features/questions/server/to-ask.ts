import type { DecisionRule } from '@/core/uncertainty/decide';
import type { Tolerance } from '@/core/record/tolerance';
import { say, type Language } from '@/core/words/say';
import { toleranceText } from '@/ui/tolerance-text';
import type { ToAsk } from '../questions-panel';
import '@/core/words/en/answer-page';
import '@/core/words/en/certificate';
import '@/core/words/en/questions';
import '@/core/words/de';

interface Agreed {
  id: string;
  maker: string;
  model: string;
  label: string;
  unit: string;
  tolerance: Tolerance;
}

/** What a customer can be asked from their page, each with a sentence in their language to begin with. */
export function questionsToAsk({
  rule,
  language,
  tolerances,
}: {
  rule: DecisionRule;
  language: Language;
  tolerances: readonly Agreed[];
}): ToAsk[] {
  const about = (one: 'rule' | 'due' | 'alarms', numbers = {}): ToAsk => ({
    about: one,
    label: say({ code: `question.about.${one}` }),
    asked: say({ code: `askedOf.${one}`, numbers }, language),
  });
  return [
    about('rule', { rule: say({ code: `rule.${rule}` }, language) }),
    about('due'),
    about('alarms'),
    ...tolerances.map(({ id, maker, model, label, unit, tolerance }): ToAsk => {
      const numbers = { label, model: `${maker} ${model}`, tolerance: toleranceText(tolerance, unit) };
      return {
        about: 'tolerance',
        subjectId: id,
        label: `${say({ code: 'question.about.tolerance' })}: ${numbers.model}, ${label}`,
        asked: say({ code: 'askedOf.tolerance', numbers }, language),
      };
    }),
  ];
}
