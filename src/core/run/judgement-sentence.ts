import { say, type Language } from '../words/say';
import type { Judgement } from '../record/judgement';

/**
 * What is said of one reading, from the figures of its judgement.
 *
 * @example
 * judgementSentence(judgement, 'ppm') // 'Outside: −3.5 ppm against ± 2.5 ppm.'
 */
export function judgementSentence(judgement: Judgement, unit: string, language: Language = 'en'): string {
  const { code, error, upper, expanded, why } = judgement;
  if (code === 'within' || code === 'outside' || code === 'guardBand' || code === 'caution') {
    const numbers = { deviation: signed(error ?? '0'), unit, limit: upper ?? '0', expanded: expanded ?? '0' };
    const verdict = code === 'caution' ? 'within' : code;
    const sentence = say({ code: `judged.${verdict}`, numbers }, language);
    return code === 'caution' && why ? `${sentence} ${say(why, language)}` : sentence;
  }
  return why
    ? say(why, language)
    : say({ code: code === 'over' || code === 'under' ? `judged.${code}` : 'judged.fault' }, language);
}

function signed(text: string): string {
  if (text.startsWith('-')) return `−${text.slice(1)}`;
  return /^0(\.0*)?$/.test(text) ? text : `+${text}`;
}
