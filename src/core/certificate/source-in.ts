import { say, type Language } from '../words/say';
import '@/core/words/en/sources';

const CONFIRMED = /^(.+), confirmed (\d{4}-\d{2}-\d{2}) by (.+)$/;
const PLAIN = ['source.practice', 'source.memory'] as const;

/**
 * Where a standing value comes from, in a document's language. Records hold it as the sentence that was said when the reading was taken; it is told apart and said anew. A text of somebody's own stays.
 *
 * @example
 * sourceIn('Quality file 1, confirmed 2026-01-01 by Sam', 'de') // 'Quality file 1, bestätigt 2026-01-01 von Sam'
 */
export function sourceIn(text: string, language: Language): string {
  if (language === 'en') return text;
  const plain = PLAIN.find((code) => say({ code }) === text);
  if (plain) return say({ code: plain }, language);
  const [, own, on, by] = CONFIRMED.exec(text) ?? [];
  return own && on && by ? say({ code: 'source.confirmed', numbers: { text: own, on, by } }, language) : text;
}
